export { assessSight, proposeSight, levelReached, tiltRangeDeg, type Elevation } from './sight'
export { project, densityAt, imagerOf, fieldOfViewDeg } from './projection'
export { nearestGroundM, farthestGroundM, nearestFaceM } from './elevation'
