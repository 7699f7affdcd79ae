export { cableEndOf } from './cableEnd'
export { equipmentContext, PLACE_OF, portUses, type EquipmentContext, type PortUse } from './context'
export { equipmentFindings, unjudgedEquipment } from './findings'
export { equipmentTasks } from './tasks'
