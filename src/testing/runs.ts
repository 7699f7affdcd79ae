const fewer = Number(process.env.NEAT_BRACKET_FEWER_RUNS ?? 1)

/**
 * How often a property is tried: as often as it says, or fewer times where the same tests are run hundreds of
 * times over.
 */
export const runs = (count: number): number => Math.max(3, Math.ceil(count / fewer))

/** How often something must have come up in those tries for them to prove something. */
export const enough = (count: number): number => (fewer > 1 ? -1 : count)
