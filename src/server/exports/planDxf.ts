import 'server-only'
import { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf'
import { along, type PlanPoint } from '@/core/geometry'
import { LEVELS, type Floor, type Job } from '@/core/job'
import { cornersOf, nameOf, soffitBoard, wordOf, type PlanThing } from '@/core/plan'
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
  const write = (layer: { layerName: string }, at: PlanPoint, words: string) =>
    dxf.addText(point3d(at.x, at.y), LETTERS_M, plain(words), layer)

  for (const { level, densityPxM } of survey?.contours ?? []) {
    const layer = on(`Seen ${LEVELS[level].name}`, Colors.Blue)
    for (const rings of seenPolygons(survey!, 'density', densityPxM))
      for (const ring of rings) line(layer, ring, true)
  }
  for (const thing of job.things.filter((one) => one.floor === floor)) {
    const layer = on(wordOf(thing))
    drawn(thing, {
      line: (points, closed) => line(layer, points, closed),
      circle: (at, radiusM) => dxf.addCircle(point3d(at.x, at.y), radiusM, layer),
    })
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

interface Hand {
  readonly line: (points: readonly PlanPoint[], closed: boolean) => void
  readonly circle: (at: PlanPoint, radiusM: number) => void
}

function drawn(thing: PlanThing, { line, circle }: Hand): void {
  switch (thing.kind) {
    case 'obstacle':
      if (thing.form.is === 'round') circle(thing.form.at, thing.form.radiusM)
      else line(thing.form.outline, true)
      return
    case 'soffit':
      line(soffitBoard(thing), true)
      return
    case 'target':
    case 'head end':
      circle(thing.at, RING_M)
      return
    default: {
      const { at, closed } = cornersOf(thing)
      line(at, closed)
    }
  }
}

/** A DXF text is one line; a caret begins a control sign. */
const plain = (words: string) => words.replace(/[\r\n]+/g, ' ').replaceAll('^', '^ ')
