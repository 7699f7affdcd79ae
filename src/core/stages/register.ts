import { PLANNED_STAGES } from '../findings'
import { SPACES } from '../job/spaces'
import { PATHWAY_LIMITS, TOOLS } from '../pathway'
import { REEL_LIMITS } from '../reels'
import { KNOWN_LENGTHS, PHOTO_FORMULAS, PHOTO_LIMITS } from '../photo'
import { PROCEDURE_LIMITS } from '../procedure'
import { ROUND_LIMITS } from '../round'
import { SENSOR_LIMITS } from '../sensors'
import { limit, type Register } from '../sources'
import { STAGE_TABLE } from './table'

/** Every constant and formula of the product by stage, for the page of sources and its check. */
export const REGISTER: readonly (Register & { readonly title: string })[] = [
  ...PLANNED_STAGES.map((stage) => ({ title: STAGE_TABLE[stage].title, ...STAGE_TABLE[stage].register })),
  {
    title: 'Pathways',
    limits: [
      ...Object.values(PATHWAY_LIMITS),
      ...Object.values(TOOLS).map(({ reachM }) => reachM),
      ...Object.values(SPACES).map(({ name, minutesPerM }) =>
        limit(`Labour of one cable, ${name.toLowerCase()}`, minutesPerM, 'min/m', 'practice'),
      ),
    ],
    formulas: [
      {
        name: 'Way of a cable',
        formula: 'the least Σ minutes per metre · (along + rise or fall) + changes of space',
        source: 'practice',
      },
    ],
  },
  {
    title: 'Boxes of cable',
    limits: Object.values(REEL_LIMITS),
    formulas: [
      {
        name: 'Which run from which box',
        formula:
          'the fewest new boxes, then the least of what is begun; each run from one box, in whole steps',
        source: 'practice',
      },
    ],
  },
  { title: 'Install log', limits: Object.values(PROCEDURE_LIMITS), formulas: [] },
  { title: 'Round', limits: Object.values(ROUND_LIMITS), formulas: [] },
  {
    title: 'Photos',
    limits: [...Object.values(PHOTO_LIMITS), ...Object.values(KNOWN_LENGTHS)],
    formulas: PHOTO_FORMULAS,
  },
  { title: 'Sensors of a phone', limits: Object.values(SENSOR_LIMITS), formulas: [] },
]
