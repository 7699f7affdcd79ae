import type { Camera, Opening } from '@/core/parts'

/** Generic cameras with made-up figures of ordinary size; nothing here is any maker's data. */

const tail: Opening = { key: 'tail', name: 'network tail joint', kind: 'tail joint', holeMm: null, builtIn: [] }
const base = (...builtIn: string[]): Opening => ({ key: 'base', name: 'base gasket', kind: 'gasket', holeMm: null, builtIn })
const dome = (...builtIn: string[]): Opening => ({ key: 'dome', name: 'dome gasket', kind: 'gasket', holeMm: null, builtIn })
const entry = (name: string, holeMm: number): Opening => ({ key: 'entry', name, kind: 'cable entry', holeMm, builtIn: [] })

const grommet = (name: string, holeMm: number): Opening => ({ key: 'entry', name, kind: 'grommet seat', holeMm, builtIn: [] })

const FILM = 'Take the packing foam and the film inside off when it is opened; the film on the outside comes off last of all.'
const MICROPHONE = 'Look at the microphone switch and the memory card now: they are reachable only while it is open.'

const small = { holes: 3, atLeast: 3, spacingMm: 45 }
const round = { holes: 3, atLeast: 3, spacingMm: 70 }
const square = { holes: 4, atLeast: 4, spacingMm: 85 }
const poe = (worstW: number) => ({ worstW, poe: true, dcV: null, mains: false })
const poeOr12V = (worstW: number) => ({ worstW, poe: true, dcV: [10.8, 13.2] as const, mains: false })

const FOUR_MP = { widthMm: 5.38, heightMm: 3.04, widthPx: 2688, heightPx: 1520 }
const TWO_MP = { widthMm: 4.8, heightMm: 2.7, widthPx: 1920, heightPx: 1080 }
const FIVE_MP = { widthMm: 5.14, heightMm: 3.86, widthPx: 2592, heightPx: 1944 }
const TWELVE_MP = { widthMm: 7.4, heightMm: 5.55, widthPx: 4000, heightPx: 3000 }

export const CAMERAS: readonly Camera[] = [
  {
    id: 'bullet-2mp-4', name: 'Bullet, 2 MP, 4 mm', form: 'bullet', sensor: TWO_MP, lens: { kind: 'rectilinear', focalMm: [4, 4] },
    axisFromBaseDeg: [0, 90], infraredReachM: 30, impact: 'IK07', massKg: 0.45, baseMm: 70, depthMm: 165, fixing: small, needs: 'surface', cable: 'pair',
    connection: 'network tail', openings: [tail, base('IP66')], power: poeOr12V(6.5), unusedTails: ['12 V tail'], notes: [],
  },
  {
    id: 'bullet-4mp-vf', name: 'Bullet, 4 MP, 2.8–12 mm', form: 'bullet', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 12] },
    axisFromBaseDeg: [0, 90], infraredReachM: 50, impact: 'IK07', massKg: 1.1, baseMm: 110, depthMm: 240, fixing: square, needs: 'surface', cable: 'pair',
    connection: 'network tail', openings: [tail, base('IP66', 'IP67')], power: poeOr12V(12.2), unusedTails: ['12 V tail', 'alarm tail', 'audio tail'],
    notes: ['Take the sun shroud off before you turn the picture to portrait and put it on again after.', 'The audio and auxiliary power tails look alike: power is the labelled, thicker one.'],
  },
  {
    id: 'turret-5mp-2.8', name: 'Turret, 5 MP, 2.8 mm', form: 'turret', sensor: FIVE_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 2.8] },
    axisFromBaseDeg: [0, 78], infraredReachM: 30, impact: 'IK08', massKg: 0.6, baseMm: 110, depthMm: 95, fixing: round, needs: 'surface', cable: 'pair',
    connection: 'network tail', openings: [tail, base('IP66')], power: poeOr12V(7.5), unusedTails: ['12 V tail'], notes: ['Keep fingers off the ball: prints glare at night.'],
  },
  {
    id: 'dome-4mp-vf', name: 'Dome, 4 MP, 2.8–12 mm', form: 'dome', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 12] },
    axisFromBaseDeg: [0, 75], infraredReachM: 30, impact: 'IK10', massKg: 0.95, baseMm: 145, depthMm: 110, fixing: round, needs: 'surface', cable: 'pair',
    connection: 'inside', openings: [grommet('rear cable grommet', 20.5), dome('IP66'), base('IP66')], power: poeOr12V(9.5), unusedTails: [], notes: [FILM, MICROPHONE],
  },
  {
    id: 'mini-dome-2mp', name: 'Mini dome, 2 MP, 2.8 mm', form: 'dome', sensor: TWO_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 2.8] },
    axisFromBaseDeg: [0, 67], infraredReachM: 0, impact: 'IK10', massKg: 0.28, baseMm: 100, depthMm: 58, fixing: { holes: 2, atLeast: 2, spacingMm: 72 }, needs: 'surface', cable: 'pair',
    connection: 'inside', openings: [grommet('rear cable grommet', 12), dome('IP42')], power: poe(3.6), unusedTails: [], notes: [FILM, 'Memory card: class 10 or better, pushed in gently until the spring catches.'],
  },
  {
    id: 'modular-dome-5mp', name: 'Modular dome, 5 MP, motorised 3–8 mm', form: 'dome', sensor: FIVE_MP, lens: { kind: 'rectilinear', focalMm: [3, 8] },
    axisFromBaseDeg: [0, 85], infraredReachM: 40, impact: 'IK10', massKg: 0.8, baseMm: 130, depthMm: 105, fixing: square, needs: 'surface', cable: 'pair',
    connection: 'inside', openings: [entry('base cable gland seat', 20.5), dome('IP66')], power: poe(11.8), unusedTails: [],
    notes: ['The module is held by a strong magnet: keep fingers, cards and pacemakers away.', 'Pan, tilt, roll and zoom are motors: aim from the browser, never by hand.', 'Set up its network in the box before it goes up.'],
  },
  {
    id: 'dome-back-box-4mp', name: 'Dome with back box, 4 MP, 2.8–12 mm', form: 'dome', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 12] },
    axisFromBaseDeg: [0, 80], infraredReachM: 30, impact: 'IK10', massKg: 1.6, baseMm: 165, depthMm: 135, fixing: square, needs: 'surface', cable: 'pair',
    connection: 'inside', openings: [grommet('self-piercing grommet', 20.5), dome('IP66', 'IP67'), base('IP66', 'IP67')], power: poeOr12V(12.5), unusedTails: [],
    notes: [FILM, 'Plug made by hand, not moulded: a boot does not pass the grommet.'],
  },
  {
    id: 'large-dome-4mp', name: 'Large dome, 4 MP, 9–22 mm', form: 'dome', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [9, 22] },
    axisFromBaseDeg: [0, 80], infraredReachM: 60, impact: 'IK10', massKg: 2.4, baseMm: 180, depthMm: 170, fixing: square, needs: 'hood', cable: 'pair',
    connection: 'inside', openings: [entry('main cable gland', 20.5), dome('IP66')], power: poe(22.5), unusedTails: [],
    notes: [FILM, 'Heater lead: red plus, blue minus. Clip the ferrite core on the network cable.'],
  },
  {
    id: 'ptz-2mp', name: 'Pan-tilt-zoom, 2 MP, 5–50 mm', form: 'ptz', sensor: TWO_MP, lens: { kind: 'rectilinear', focalMm: [5, 50] },
    axisFromBaseDeg: [0, 95], infraredReachM: 100, impact: 'IK09', massKg: 3.6, baseMm: 190, depthMm: 290, fixing: square, needs: 'pipe thread', cable: 'pair',
    connection: 'network tail', openings: [tail], power: poe(38), unusedTails: ['24 V tail', 'alarm tail'], notes: ['Never turn the motors by hand.'],
  },
  {
    id: 'box-4mp-5-50', name: 'Box camera, 4 MP, 5–50 mm', form: 'box', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [5, 50] },
    axisFromBaseDeg: [-5, 60], infraredReachM: 0, impact: null, massKg: 0.75, baseMm: 75, depthMm: 210, fixing: { holes: 1, atLeast: 1, spacingMm: 0 }, needs: 'bracket', cable: 'pair',
    connection: 'inside', openings: [], power: poeOr12V(9.8), unusedTails: [],
    notes: ['Slide it as close to the housing window as it goes; screws snug, not tight.', 'Plug the auto-iris lead in.'],
  },
  {
    id: 'panoramic-12mp', name: 'All-round, 12 MP, 180° across', form: 'panoramic', sensor: TWELVE_MP,
    lens: { kind: 'f-theta', horizontalFovDeg: 180, verticalFovDeg: 135, focalMm: [2.36, 2.36] },
    axisFromBaseDeg: [0, 0], infraredReachM: 15, impact: 'IK10', massKg: 0.7, baseMm: 150, depthMm: 60, fixing: square, needs: 'surface', cable: 'pair',
    connection: 'inside', openings: [grommet('slim cable grommet', 12), { key: 'vent', name: 'vent plug', kind: 'gasket', holeMm: null, builtIn: ['IP66'] }, base('IP66')],
    power: poe(11.2), unusedTails: ['analogue test lead'], notes: ['The vent plug is fragile: keep it clean, never seal or poke it.', 'Keep the cores clear of the lens.'],
  },
  {
    id: 'floodlight-4mp', name: 'Floodlight camera, 4 MP, 2.8 mm, mains', form: 'floodlight', sensor: FOUR_MP, lens: { kind: 'rectilinear', focalMm: [2.8, 2.8] },
    axisFromBaseDeg: [0, 70], infraredReachM: 20, impact: 'IK07', massKg: 1.4, baseMm: 125, depthMm: 160, fixing: { holes: 2, atLeast: 2, spacingMm: 85 }, needs: 'surface', cable: 'mains',
    connection: 'mains leads', openings: [{ ...base('IP65'), name: 'plate gasket' }], power: { worstW: 32, poe: false, dcV: null, mains: true }, unusedTails: [],
    notes: ['Leave the drain hole at the bottom open.', 'Fit the anti-tamper screws last and keep their bit with the record.'],
  },
  {
    id: 'analogue-bullet-2mp', name: 'Analogue bullet, 2 MP, 3.6 mm', form: 'bullet', sensor: TWO_MP, lens: { kind: 'rectilinear', focalMm: [3.6, 3.6] },
    axisFromBaseDeg: [0, 90], infraredReachM: 20, impact: 'IK07', massKg: 0.4, baseMm: 70, depthMm: 150, fixing: small, needs: 'surface', cable: 'coax and power',
    connection: 'coax and power tails', openings: [{ ...tail, name: 'video and power tail joints' }, base('IP66')],
    power: { worstW: 5, poe: false, dcV: [10.8, 13.2], mains: false }, unusedTails: [], notes: ['Two of the three power wires are used: match polarity and insulate the third.'],
  },
]
