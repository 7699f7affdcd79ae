import { CATALOGUE } from '@/catalogue'
import { asksOf, readSheet, valueAt, wordsFor, type Entries, type OwnPart } from '@/core/parts'

/** Parts that the boatyard's lead entered from sheets: made-up ones, as every figure of the demo. */

const bullet = CATALOGUE.cameras.get('bullet-2mp-4')!

/** What the sheet says just as the generic part has it. */
const alike: Entries = Object.fromEntries(
  asksOf('cameras', bullet).map((asked) => [
    asked.path,
    wordsFor(asked, valueAt(bullet, asked.path), 'metric'),
  ]),
)

/** Read whole. */
export const YARD_BULLET = made(
  readSheet(
    {
      id: 'own-yard-bullet',
      table: 'cameras',
      name: 'Yard bullet, 2 MP, 4 mm',
      sheet: 'Data sheet, pages 1 to 3',
      from: bullet,
      held: null,
    },
    { ...alike, 'massKg': '0.52 kg', 'baseMm': '74 mm', 'infraredReachM': '25 m', 'power/worstW': '7.2 W' },
    'metric',
  ).own,
)

/** Only its drum was at hand: what it stands and how far it goes is not read yet. */
export const YARD_CABLE = made(
  readSheet(
    {
      id: 'own-yard-cable',
      table: 'cables',
      name: 'Grey drum in the store, 6.4 mm',
      sheet: 'Print on the jacket',
      from: CATALOGUE.cables.get('cat6-outdoor')!,
      held: null,
    },
    { kind: 'pair', diameterMm: '6.4 mm', fittingMm: '6.4 mm', awg: '23', conductor: 'solid' },
    'metric',
  ).own,
)

function made(own: OwnPart | null): OwnPart {
  if (!own) throw new Error('An own part of the demo is not read.')
  return own
}
