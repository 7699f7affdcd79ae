import type { Accessory, Supply } from '@/core/parts'

export const SUPPLIES: readonly Supply[] = [
  { id: 'recorder-8', name: 'Recorder with 8 PoE ports', kind: 'poe switch', ports: 8, budgetW: 90, poeClass: 4, volts: 50, signals: false, adjustV: null },
  { id: 'switch-8', name: 'PoE switch, 8 ports, 120 W', kind: 'poe switch', ports: 8, budgetW: 120, poeClass: 4, volts: 50, signals: false, adjustV: null },
  { id: 'switch-16', name: 'PoE switch, 16 ports, 250 W', kind: 'poe switch', ports: 16, budgetW: 250, poeClass: 4, volts: 50, signals: true, adjustV: null },
  { id: 'switch-8-high', name: 'PoE switch, 8 ports, class 6, 240 W', kind: 'poe switch', ports: 8, budgetW: 240, poeClass: 6, volts: 50, signals: true, adjustV: null },
  { id: 'switch-outdoor-4', name: 'Outdoor PoE switch in IP67 case, 4 ports, fibre up', kind: 'poe switch', ports: 4, budgetW: 120, poeClass: 6, volts: 50, signals: true, adjustV: null },
  { id: 'injector-30', name: 'PoE injector, 30 W', kind: 'injector', ports: 1, budgetW: 30, poeClass: 4, volts: 50, signals: false, adjustV: null },
  { id: 'dc-12-5', name: 'DC supply, 12 V, 5 A, 8 ways', kind: 'dc supply', ports: 8, budgetW: 60, poeClass: null, volts: 12, signals: false, adjustV: [12, 13.8] },
  { id: 'dc-13.2-5', name: 'DC supply set to 13.2 V, 5 A, 8 ways', kind: 'dc supply', ports: 8, budgetW: 66, poeClass: null, volts: 13.2, signals: false, adjustV: [12, 13.8] },
  { id: 'mains-circuit', name: 'Mains lighting circuit', kind: 'mains', ports: 8, budgetW: 1200, poeClass: null, volts: 230, signals: false, adjustV: null },
]

/** Small things that go with a device; each brings a step of its own. */
export const ACCESSORIES: readonly Accessory[] = [
  { id: 'protector-pair', name: 'Surge protectors, both ends', stage: 'power', step: 'Fit a surge protector at each end: line side to the long cable, equipment side to the short patch lead. Bond each to earth, short and straight; bond a screen separately.', reason: 'Outdoor copper carries lightning surge to both ends; the wrong way round they protect nothing.' },
  { id: 'in-line-adapter', name: 'In-line power adapter', stage: 'power', step: 'Fit the in-line adapter: its "in" comes from the network, its "out" goes to the camera. Test and update it before you hang it.', reason: 'Ports are named from the adapter’s side.' },
  { id: 'ferrite', name: 'Ferrite core', stage: 'power', step: 'Clip the ferrite core on the network cable close to the camera.', reason: 'It keeps motor and heater noise out of the data.' },
  { id: 'memory-card', name: 'Memory card', stage: 'mount', step: 'Push the memory card in gently until the spring catches: class 10 or better.', reason: 'The slot is reachable only while the camera is open.' },
  { id: 'tail-caps', name: 'Caps for unused tails', stage: 'seal', step: 'Cap every unused tail.', reason: 'An open tail wicks water along its cores.' },
  { id: 'coupler-box', name: 'Coupler in an outdoor box', stage: 'terminate', step: 'Join the two lengths with the coupler inside its box, entries down, slack coiled.', reason: 'A coupler in the open corrodes; in a box it can be re-made.' },
  { id: 'coax-converter-pair', name: 'Network over coax converters, both ends', stage: 'terminate', adapts: { camera: 'pair', onto: 'coax' }, step: 'Fit a converter at each end: coax between them, a short lead to camera and switch. Test the pair on the bench first.', reason: 'A network camera has no picture for coax; the pair carries its network over it.' },
  { id: 'balun-pair', name: 'Baluns, both ends', stage: 'terminate', adapts: { camera: 'coax and power', onto: 'pair' }, step: 'Fit a balun at each end, same pair, same polarity.', reason: 'Composite video needs one at each end of twisted pair.' },
]
