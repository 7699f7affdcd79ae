import { finding, type Finding } from '../findings'
import type { Equipment } from '../job/job'
import { portsFor, portWords, type DeviceContext } from '../parts'
import { quantity, text } from '../units'
import type { Terminate } from './plan'

/** Where the picture of an analogue camera goes: its coax ends at a video input of a recorder. */

type Of = Pick<DeviceContext, 'camera' | 'cable' | 'equipment' | 'catalogue'>

/** True where the picture comes over coax, and so ends at a port of its own beside the power. */
export const isAnalogue = ({ camera, cable }: Pick<Of, 'camera' | 'cable'>): boolean =>
  camera.cable === 'coax and power' && (cable.kind === 'coax' || cable.kind === 'coax and power')

const inputsOf = ({ catalogue }: Pick<Of, 'catalogue'>, { partId }: Equipment): string[] =>
  portsFor(catalogue.equipment.get(partId), ['video'])

/** What of the job takes an analogue picture, and stays. */
export const recordersIn = (context: Of): Equipment[] =>
  context.equipment.filter((one) => one.state !== 'taken away' && inputsOf(context, one).length > 0)

/** Whether its picture goes to a video input that is there; null where it does, and for other cameras. */
export function pictureFinding(
  context: DeviceContext,
  { recorderId, recorderPort }: Terminate,
): Finding | null {
  if (!isAnalogue(context)) return null
  const recorder = context.equipment.find(({ id }) => id === recorderId)
  if (recorderId === null || !recorder)
    return finding('terminate', 'picture', {
      verdict: 'check',
      title: 'Where its picture goes is not chosen',
      short: 'no recorder chosen',
      figure: text('not chosen'),
      limit: text('a video input'),
      reason: 'Its coax ends at a video input of a recorder; power alone shows nothing.',
      source: 'job',
      advice:
        recordersIn(context).length > 0
          ? 'Choose the recorder and its input below.'
          : 'Add a recorder with coax inputs under Equipment, then choose it and its input below.',
    })
  const inputs = inputsOf(context, recorder)
  const named = `${recorder.mark} ${recorder.name}`
  if (recorder.state === 'taken away' || inputs.length === 0)
    return finding('terminate', 'recorder', {
      verdict: 'stop',
      title: 'Nothing there takes its picture',
      short: 'no video input',
      figure: text(named),
      limit: text('a video input that stays'),
      reason: inputs.length === 0 ? `${named} has no video input.` : `${named} is taken away.`,
      source: 'catalogue',
      advice: 'Choose a recorder with coax inputs, new or staying.',
    })
  if (recorderPort === null)
    return finding('terminate', 'input', {
      verdict: 'check',
      title: 'Its input at the recorder is not chosen',
      short: 'input not chosen',
      figure: text('not chosen'),
      limit: quantity(inputs.length, 'count'),
      reason: 'Nobody sees yet whether it is free, and the recorder names pictures by their input.',
      source: 'job',
      advice: `Choose its input at ${recorder.mark}.`,
    })
  if (inputs.includes(recorderPort)) return null
  return finding('terminate', 'other-input', {
    verdict: 'stop',
    title: `${recorder.mark} has no such input`,
    short: 'no such input',
    figure: text(portWords(recorderPort, context.catalogue.equipment.get(recorder.partId))),
    limit: quantity(inputs.length, 'count'),
    reason: `${named} has ${inputs.length} video inputs.`,
    source: 'catalogue',
    advice: `Choose another input at ${recorder.mark}.`,
  })
}
