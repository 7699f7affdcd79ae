export { formOf, usualOf } from './bounded'
export { fromEarth, toEarth, type Anchor } from './earth'
export { geoJsonOf } from './geoJson'
export { readGeoJson, readPoints, type LeftOut, type Read } from './read'
