/** What a run carries: over which cables, what they end with, and at which ports of equipment. */
export const CARRIES = {
  network: { name: 'Network', cables: ['pair'], ends: ['plug', 'jack'], ports: ['network', 'uplink'] },
  fibre: { name: 'Network over fibre', cables: ['fibre'], ends: ['fibre'], ports: ['fibre'] },
  video: { name: 'Analogue video', cables: ['coax', 'coax and power'], ends: ['coax'], ports: ['video'] },
  dc: { name: 'Low-voltage power', cables: ['cores'], ends: ['screw terminal'], ports: ['dc'] },
  audio: {
    name: 'Sound',
    cables: ['pair', 'coax', 'cores'],
    ends: ['screw terminal', 'coax'],
    ports: ['audio'],
  },
  alarm: { name: 'Alarm contact', cables: ['pair', 'cores'], ends: ['screw terminal'], ports: ['alarm'] },
  earth: { name: 'Earth', cables: ['earth'], ends: ['screw terminal'], ports: ['earth'] },
  mains: { name: 'Mains', cables: ['power'], ends: ['mains joint'], ports: ['mains'] },
} as const
export type Carried = keyof typeof CARRIES
