import { Id } from '../fields'
import { Equipment, EquipmentChoice, MOST_EQUIPMENT, type Job } from '../job'
import { NO_DETAILS, USUAL_EQUIPMENT } from '../usual'
import { changed, fieldsOf, kind, put, reasonsOf, refuse, unknownPart } from './kind'
import { isMarked, nextMark, isUsed, wrongMark, wrongReplaced } from './marked'

/** Commands about what is installed beside cameras. */

export const putEquipment = kind({
  shape: {
    equipmentId: Id,
    /** The fields that change; what is new says at least its name and its part. */
    change: EquipmentChoice.partial(),
  },
  called: 'a piece of equipment',
  apply: (job, { equipmentId, change }, catalogue) => {
    const before = job.equipment.find(({ id }) => id === equipmentId)
    if (!before && isMarked(job, equipmentId)) return refuse('/equipmentId', 'A device has this id already.')
    if (!before && job.equipment.length >= MOST_EQUIPMENT)
      return refuse('/equipmentId', `A job holds at most ${MOST_EQUIPMENT} pieces of equipment.`)
    const start = before ?? { ...USUAL_EQUIPMENT, mark: nextMark(job, 'E'), details: NO_DETAILS }
    const made = Equipment.safeParse({ ...start, ...change, id: equipmentId })
    if (!made.success) return { ok: false, reasons: reasonsOf(made.error, '/change') }
    const { partId } = made.data
    if (!catalogue.equipment.has(partId)) return unknownPart('/change/partId', partId)
    const wrong =
      wrongMark(job, equipmentId, change.mark, '/change') ?? wrongReplaced(job, made.data, '/change')
    if (wrong) return { ok: false, reasons: [wrong] }
    return changed(job, { equipment: put(job.equipment, made.data) })
  },
  touches: ({ equipmentId, change }) => fieldsOf(`equipment/${equipmentId}`, change),
})

export const removeEquipment = kind({
  shape: { equipmentId: Id },
  called: 'a piece of equipment taken out',
  apply: (job: Job, { equipmentId }) => {
    const fed = job.devices.find(({ power }) => power?.supplyId === equipmentId)
    if (fed)
      return refuse('/equipmentId', `Device ${fed.mark} is fed from it: choose another supply there first.`)
    const seen = job.devices.find(({ terminate }) => terminate?.recorderId === equipmentId)
    if (seen)
      return refuse(
        '/equipmentId',
        `The picture of device ${seen.mark} goes to it: choose another there first.`,
      )
    const used = isUsed(job, equipmentId)
    if (used) return refuse('/equipmentId', used)
    return changed(job, {
      equipment: job.equipment.filter(({ id }) => id !== equipmentId),
      things: job.things.map((thing) =>
        thing.kind === 'equipment' && thing.equipmentId === equipmentId
          ? { ...thing, name: '', equipmentId: null }
          : thing,
      ),
    })
  },
})
