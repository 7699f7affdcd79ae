import { LEVELS, type Edition, type LevelId } from '../job/choices'

/** The levels of an edition with their densities, least demanding first. */
export function levelsOf(edition: Edition): readonly LevelId[] {
  return (Object.keys(LEVELS) as LevelId[]).filter((id) => LEVELS[id].edition === edition)
}

/** The highest level of an edition that a density (px/m) reaches; null below the lowest. */
export function levelReached(densityPxM: number, edition: Edition): LevelId | null {
  let reached: LevelId | null = null
  for (const id of levelsOf(edition)) if (densityPxM >= LEVELS[id].densityPxM) reached = id
  return reached
}
