import { finding, type Figure, type Finding } from '../../findings'
import type { Mount } from '../../job/job'
import type { DeviceContext } from '../../parts'
import { imagerOf } from '../../sight'
import { quantity, text } from '../../units'
import { MOUNT_LIMITS } from '../limits'
import { bandLengthMm, footOf, lean, type Bent, type Foot, type Pole } from '../pole'
import { sideAreaM2 } from '../wind'

/** A pole with a device on it: how it leans, and what the design wind does at its foot. */
export interface OnPole {
  readonly pole: Pole
  readonly cameraM: number
  readonly bent: Bent
  readonly leanPx: number
  /** Null indoors: no wind. */
  readonly foot: Foot | null
}

/** Null while the pole is not measured, or nobody has said how high the lens hangs. */
export function onPole(
  { mounts, camera, device, windMS, terrain, exposure }: DeviceContext,
  { pole }: Mount,
): OnPole | null {
  const { sight } = device
  if (!pole || !sight) return null
  const area = sideAreaM2(mounts, camera)
  const bent = lean(pole, sight.heightM, area)
  const imager = imagerOf(camera, sight.focalMm, sight.portrait)
  const foot = exposure.outdoors ? footOf(pole, sight.heightM, area, windMS, terrain) : null
  return {
    pole,
    cameraM: sight.heightM,
    bent,
    leanPx: bent.slopeRad * Math.max(imager.focalPxX, imager.focalPxY),
    foot,
  }
}

export function poleFigures(
  { printed, device }: DeviceContext,
  mount: Mount,
  on: OnPole | null,
  banded: boolean,
): Figure[] {
  if (!mount.pole) return []
  const band: Figure[] = banded
    ? [{ label: 'Band, each', reading: quantity(bandLengthMm(mount.pole.diameterMm), 'size') }]
    : []
  if (!on)
    return device.sight ? band : [...band, { label: 'Lean of the pole', reading: text('no lens height yet') }]
  return [
    ...band,
    {
      label: `Leans in steady ${printed(MOUNT_LIMITS.pictureWindMS.value, 'speed')}, in the picture`,
      reading: quantity(on.leanPx, 'pixels'),
    },
    { label: '· at the lens', reading: quantity(on.bent.deflectionM * 1000, 'size') },
    ...(on.foot
      ? [
          {
            label: 'Moment at its foot, design wind',
            reading: quantity(on.foot.momentNm, 'moment' as const),
          },
          { label: '· of it by this device', reading: quantity(100 * on.foot.deviceShare, 'share' as const) },
        ]
      : []),
  ]
}

export function poleFindings(context: DeviceContext, mount: Mount, on: OnPole | null): Finding[] {
  if (context.surface.holding !== 'pole') return []
  if (!mount.pole) {
    return [
      finding('mount', 'pole', {
        verdict: 'check',
        title: 'The pole is not measured',
        short: 'pole not measured',
        figure: text('unknown'),
        limit: text('diameter, wall, height'),
        reason: 'Bands, lean and strength hang on it.',
        source: 'practice',
        advice: 'Measure round it with a tape and divide by 3.14.',
      }),
    ]
  }
  return [
    bandFinding(context, mount, mount.pole),
    on && aboveFinding(context, on),
    on && leanFinding(context, on),
    ...(on?.foot ? footFindings(context, on, on.foot) : []),
  ].filter((one) => one !== null)
}

function bandFinding({ printed, catalogue }: DeviceContext, { fixingId }: Mount, pole: Pole): Finding | null {
  const goesRound = (range: readonly [number, number]) =>
    pole.diameterMm >= range[0] && pole.diameterMm <= range[1]
  const band = catalogue.fixings.get(fixingId)?.bandMm
  if (!band || goesRound(band)) return null
  const other = [...catalogue.fixings.values()].find(({ bandMm }) => bandMm && goesRound(bandMm))
  return finding('mount', 'band', {
    verdict: 'stop',
    title: 'The band does not go round this pole',
    short: 'band does not fit',
    figure: quantity(pole.diameterMm, 'size'),
    limit: text(`${printed(band[0], 'size')} to ${printed(band[1], 'size')}`),
    reason: 'A band outside its range slips or does not close.',
    source: 'catalogue',
    advice: other ? `Take ${other.name}.` : 'Bolt through the pole, or join two bands as their maker allows.',
  })
}

function aboveFinding({ printed }: DeviceContext, { pole, cameraM }: OnPole): Finding | null {
  if (cameraM <= pole.heightM) return null
  return finding('mount', 'above-pole', {
    verdict: 'stop',
    title: 'The camera hangs above its pole',
    short: 'above its pole',
    figure: quantity(cameraM, 'length'),
    limit: quantity(pole.heightM, 'length'),
    reason: 'There is nothing to band it to that high.',
    source: 'physics',
    advice: `Hang the lens at ${printed(pole.heightM, 'length')} or lower, or measure the pole again.`,
  })
}

function leanFinding({ printed, camera, device }: DeviceContext, { leanPx, bent }: OnPole): Finding | null {
  const { shakePx, pictureWindMS } = MOUNT_LIMITS
  if (leanPx <= shakePx.value) return null
  const [shortest] = camera.lens.focalMm
  const calm = (device.sight!.focalMm * shakePx.value) / leanPx
  const lens =
    calm >= shortest
      ? `At ${printed(Math.floor(calm * 10) / 10, 'focal')} it stays within the limit; otherwise`
      : 'Even its shortest lens shows it:'
  return finding('mount', 'shake', {
    verdict: 'check',
    title: 'The picture moves with the pole',
    short: 'picture moves',
    figure: quantity(leanPx, 'pixels'),
    limit: quantity(shakePx.value, 'pixels'),
    reason:
      `In a steady ${printed(pictureWindMS.value, 'speed')} the pole leans by ` +
      `${((bent.slopeRad * 180) / Math.PI).toFixed(3)}° where the camera hangs, and gusts ` +
      'shake it more than that; a long lens shows it.',
    source: shakePx.source,
    advice: `${lens} hang it lower, on a stiffer pole, or take a camera that steadies its picture.`,
  })
}

function footFindings(
  { windMS, printed }: DeviceContext,
  { pole }: OnPole,
  { stressMPa, allowableMPa, deviceShare, momentNm }: Foot,
): Finding[] {
  const { footShare } = MOUNT_LIMITS
  const findings: Finding[] = []
  if (stressMPa > allowableMPa) {
    findings.push(
      finding('mount', 'pole-strength', {
        verdict: 'stop',
        title: 'The design wind bends the pole too far',
        short: 'pole too weak',
        figure: text(`${Math.round(stressMPa)} MPa`),
        limit: text(`${allowableMPa} MPa`),
        reason: `Bending at its foot in ${printed(windMS, 'speed')} of wind on pole and device, ${pole.material}.`,
        source: 'handbook-bending',
        advice: 'Hang less on it, hang it lower, or ask who set the pole for a stronger one.',
      }),
    )
  }
  if (deviceShare * 100 > footShare.value) {
    findings.push(
      finding('mount', 'pole-foot', {
        verdict: 'check',
        title: 'The foot of the pole takes more than before',
        short: 'ask about its foot',
        figure: quantity(100 * deviceShare, 'share'),
        limit: quantity(footShare.value, 'share'),
        reason:
          `Of ${printed(momentNm, 'moment')} at its foot in the design wind. Its base, bolts and ` +
          'foundation are not known here and not judged.',
        source: footShare.source,
        advice: 'Give this moment to whoever answers for the pole, before anything is hung on it.',
      }),
    )
  }
  return findings
}
