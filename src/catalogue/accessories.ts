import type { Accessory } from '@/core/parts'

/** Small things that go with a device; each brings a step of its own. */
export const ACCESSORIES: readonly Accessory[] = [
  {
    id: 'protector-pair',
    protects: true,
    name: 'Surge protectors, both ends',
    stage: 'power',
    step:
      'Fit a surge protector at each end: line side to the long cable, equipment side to the ' +
      'short patch lead. Bond each to earth, short and straight; bond a screen separately.',
    reason: 'Outdoor copper carries lightning surge to both ends; the wrong way round they protect nothing.',
  },
  {
    id: 'in-line-adapter',
    name: 'In-line power adapter',
    stage: 'power',
    step:
      'Fit the in-line adapter: its "in" comes from the network, its "out" goes to the camera. ' +
      'Test and update it before you hang it.',
    reason: 'Ports are named from the adapter’s side.',
  },
  {
    id: 'ferrite',
    name: 'Ferrite core',
    stage: 'power',
    step: 'Clip the ferrite core on the network cable close to the camera.',
    reason: 'It keeps motor and heater noise out of the data.',
  },
  {
    id: 'memory-card',
    card: true,
    name: 'Memory card',
    stage: 'mount',
    step: 'Push the memory card in gently until the spring catches: class 10 or better.',
    reason: 'The slot is reachable only while the camera is open.',
  },
  {
    id: 'tail-caps',
    name: 'Caps for unused tails',
    capsTails: true,
    stage: 'seal',
    step: 'Cap every unused tail.',
    reason: 'An open tail wicks water along its cores.',
  },
  {
    id: 'coupler-box',
    name: 'Coupler in an outdoor box',
    stage: 'terminate',
    step: 'Join the two lengths with the coupler inside its box, entries down, slack coiled.',
    reason: 'A coupler in the open corrodes; in a box it can be re-made.',
  },
  {
    id: 'coax-converter-pair',
    name: 'Network over coax converters, both ends',
    stage: 'terminate',
    adapts: { camera: 'pair', onto: 'coax' },
    step:
      'Fit a converter at each end: coax between them, a short lead to camera and switch. Test ' +
      'the pair on the bench first.',
    reason: 'A network camera has no picture for coax; the pair carries its network over it.',
  },
  {
    id: 'balun-pair',
    name: 'Baluns, both ends',
    stage: 'terminate',
    adapts: { camera: 'coax and power', onto: 'pair' },
    step: 'Fit a balun at each end, same pair, same polarity.',
    reason: 'Composite video needs one at each end of twisted pair.',
  },
]
