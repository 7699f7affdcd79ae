/** Whatever a photo is to prove must be in it: said before it is taken. Common practice, no source. */
export const VIEWS = {
  parts: 'all parts laid out, the label with its serial number readable',
  found: 'the whole of it as it was found, and where its cable goes in',
  place: 'the wall from where one stands, with the camera held at its place',
  stands: 'the whole of it where it stands, and what is around it',
  fixed: 'every fixing, and what is on the wall around it',
  ends: 'each end with its label',
  lock: 'the lock and the tag, and which circuit it is',
  joint: 'the joint, its clamp and the earth, before the box is closed',
  thread: 'everything on the cable, in its order and the right way round',
  coil: 'the coil with its mark, and what is around it',
  closing: 'the gasket all round, every gland, the slack and the drip loop',
  ports: 'every port that is used, with its label',
  circuit: 'the circuit with its name, and the board it is in',
  earth: 'both ends of the bond, and the way between them',
  screen: 'the whole picture on the screen, with its time',
} as const
export type PhotoView = keyof typeof VIEWS
