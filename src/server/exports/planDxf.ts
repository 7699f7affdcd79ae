import 'server-only'
import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf'
import { formOf } from '@/core/exchange'
import { along, type PlanPoint } from '@/core/geometry'
import { LEVELS, type Floor, type Job } from '@/core/job'
import { cornersOf, nameOf, soffitBoard, wordOf } from '@/core/plan'
import { seenPolygons, type Survey } from '@/core/sight'
import { placeOn } from '@/drawings/plan'

/** Letters on a drawing, and a device's ring, metres. */
const LETTERS_M = 0.35
const RING_M = 0.2

/**
 * Everything on a floor as DXF in metres, y up, the plan's origin at nought: a layer a kind of thing, the
 * devices with the way to their targets, and what is seen a layer a level.
 */
export function planDxf(job: Job, floor: Floor, survey: Survey | null): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Meters)
  const layers = new Set<string>()
  const on = (layerName: string, colour: number = Colors.White) => {
    if (!layers.has(layerName)) dxf.addLayer(layerName, colour, 'Continuous')
    layers.add(layerName)
    return { layerName }
  }
  const line = (layer: { layerName: string }, points: readonly PlanPoint[], closed: boolean) =>
    dxf.addLWPolyline(
      points.map(({ x, y }) => ({ point: point2d(x, y) })),
      { ...layer, flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
    )
  const circle = (layer: { layerName: string }, at: PlanPoint, radiusM: number) =>
    dxf.addCircle(point3d(at.x, at.y), radiusM, layer)
  const write = (layer: { layerName: string }, at: PlanPoint, words: string) =>
    dxf.addText(point3d(at.x, at.y), LETTERS_M, plain(words), layer)

  for (const { level, densityPxM } of survey?.contours ?? []) {
    const layer = on(`Seen ${LEVELS[level].name}`, Colors.Blue)
    for (const rings of seenPolygons(survey!, 'density', densityPxM))
      for (const ring of rings) line(layer, ring, true)
  }
  for (const thing of job.things.filter((one) => one.floor === floor)) {
    const layer = on(wordOf(thing))
    const form = thing.kind === 'soffit' ? { is: 'ring' as const, points: soffitBoard(thing) } : formOf(thing)
    if (form.is === 'path' || form.is === 'ring') line(layer, form.points, form.is === 'ring')
    else circle(layer, form.at, form.is === 'round' ? form.radiusM : RING_M)
    const [first] = cornersOf(thing).at
    if (thing.name !== '' && first) write(on('Names'), first, nameOf(thing))
  }
  for (const device of job.devices) {
    const place = placeOn(device, floor)
    if (!place) continue
    const layer = on('Devices', Colors.Red)
    dxf.addCircle(point3d(place.x, place.y, device.sight!.heightM), RING_M, layer)
    line(layer, [place, along(place, place.panDeg, device.sight!.targetDistanceM)], false)
    write(layer, { x: place.x + RING_M, y: place.y + RING_M }, `${device.mark} ${device.name}`)
  }
  return dxf.stringify()
}

/** A DXF text is one line; a caret begins a control sign. */
const plain = (words: string) => words.replace(/[\r\n]+/g, ' ').replaceAll('^', '^ ')
