export { equipmentContext, portUses, type EquipmentContext, type PortUse } from './context'
export { equipmentFindings, unjudgedEquipment } from './findings'
export { equipmentTasks } from './tasks'
