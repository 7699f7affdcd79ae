/** Heights a new thing starts with, m. Common practice, no source: every one is a field after. */
export const USUAL_HEIGHTS = {
  wallM: 3,
  wallThickM: 0.2,
  obstacleM: 2.5,
  undersideM: 3,
  soffitDepthM: 0.6,
  lipM: 0.1,
  faceM: 1.6,
  pathwayM: 2.5,
  equipmentM: 2,
} as const
