import { limit } from '../sources'

/** What finding a way over the pathways rests on. */
export const PATHWAY_LIMITS = {
  joinM: limit('Pathways meet where a drawn point of one is so near the other', 0.3, 'm', 'practice'),
  joinRiseM: limit('And no more than so much higher or lower there', 0.5, 'm', 'practice'),
  reachM: limit(
    'A device or the head end is brought to a pathway from so far, upright with it',
    4,
    'm',
    'practice',
  ),
  changeMin: limit('Labour where a cable goes from one kind of space into another', 10, 'min', 'practice'),
  besideMainsMinPerM: limit('Labour more where mains run beside: kept apart', 1, 'min/m', 'practice'),
  offMinPerM: limit('Labour beside the pathways, to a device or the head end', 8, 'min/m', 'practice'),
  mostLooks: limit('Pairs of a point and a pathway near it that are looked at', 400_000, '', 'practice'),
  sagPercent: limit('A catenary wire sags by so much of its span', 2, '%', 'practice'),
  wireNPerM: limit('Weight of a steel wire of 4 mm with its ties', 0.6, 'N/m', 'practice'),
  wireTailM: limit('Wire turned back at each end', 0.5, 'm', 'practice'),
  headEndM: limit('A cable ends at the head end above its floor', 1, 'm', 'practice'),
} as const
