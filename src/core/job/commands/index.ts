import { putBox, removeBox } from './boxes'
import { noteConflict, settleConflict } from './conflicts'
import { addDevice, editDetails, editDevice, removeDevice, setPlan } from './devices'
import { putEquipment, removeEquipment } from './equipment'
import { editFault, fixFault, raiseFault, recheckFault } from './faults'
import { handStep, takeStepBack } from './handing'
import { addPhoto, clearStep, markPhoto, recordStep, removePhoto } from './log'
import { putPart, removePart } from './parts'
import { putRun, removeRun } from './runs'
import { signRecord } from './signing'
import { createJob, editJob, editThing, putThing, removeThing, setBackground, setSite } from './site'

/** Every kind of command there is: types, checks and what is said of them follow from this table. */
export const COMMANDS = {
  createJob,
  editJob,
  putPart,
  removePart,
  putEquipment,
  removeEquipment,
  putRun,
  removeRun,
  putBox,
  removeBox,
  setSite,
  setBackground,
  putThing,
  editThing,
  removeThing,
  addDevice,
  editDevice,
  removeDevice,
  setPlan,
  editDetails,
  recordStep,
  clearStep,
  handStep,
  takeStepBack,
  addPhoto,
  markPhoto,
  removePhoto,
  raiseFault,
  editFault,
  fixFault,
  recheckFault,
  noteConflict,
  settleConflict,
  signRecord,
} as const
