/**
 * How often a property is tried: as often as it says, or fewer times where the same tests are run hundreds of
 * times over.
 */
export const runs = (count: number): number =>
  Math.max(3, Math.ceil(count / Number(process.env.NEAT_BRACKET_FEWER_RUNS ?? 1)))
