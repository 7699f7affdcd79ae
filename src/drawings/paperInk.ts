/** Ink on white paper, by what it means; whatever is printed takes it from here. */
export const PAPER_INK = {
  ink: '#1C2126',
  soft: '#5A636C',
  copper: '#A84B1C',
  sheet: '#FFFFFF',
  seen: '#F3E4DA',
  hatch: '#CFCBC0',
  part: '#E4E1D7',
  good: '#1D7467',
  check: '#8A5F00',
  stop: '#AE2A1F',
} as const
