import { EXPOSURES } from '../job/choices'
import { limit, type Formula, type Register } from '../sources'

export const SEAL_LIMITS = {
  holeToleranceMm: limit(
    'Difference between a thread’s hole and the hole it goes in',
    0.6,
    'mm',
    'thread-sizes',
  ),
  insideMm: limit('Cable to leave inside a grommet', 70, 'mm', 'practice'),
} as const

export const SEAL_FORMULAS: readonly Formula[] = [
  {
    name: 'Tests that a rating stands for',
    formula: 'second digit d ≤ 6: tests 1…d; 7: 1–4 and 7; 8: 1–4, 7 and 8; a dual code stands for both',
    source: 'iec-60529',
  },
  {
    name: 'The chain',
    formula: 'an assembly has passed only the tests that every opening has passed',
    source: 'iec-60529',
  },
]

/** Everything seal rests on. */
export const SEAL_REGISTER: Register = {
  limits: [
    ...Object.values(SEAL_LIMITS),
    ...Object.values(EXPOSURES).flatMap(({ name, tests }) =>
      tests.map((test) => limit(`${name} asks for water test`, test, '', 'practice')),
    ),
    ...Object.values(EXPOSURES).flatMap(({ name, edgeTests, dust }) => [
      ...edgeTests.map((test) =>
        limit(`${name} asks for water test at an open-bottomed edge`, test, '', 'practice'),
      ),
      ...(dust > 0 ? [limit(`${name} asks for dust digit`, dust, '', 'practice')] : []),
    ]),
  ],
  formulas: SEAL_FORMULAS,
}
