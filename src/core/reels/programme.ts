import type { Highs, Model } from 'highs'
import { knapsack } from './knapsack'
import { FRESH, type Load, type Packing } from './packing'
import { loadsWithin } from './within'

/** What opening boxes costs, and how many new ones there are; null for as many as are needed. */
export interface Worth {
  readonly fresh: number
  readonly begun: readonly number[]
  readonly mostFresh: number | null
}

/** New loads beside each other that one look adds. */
const AT_ONCE = 24
const NOTHING = 1e-7
/** As near are costs of the mixture known. */
const NEAR = 1e-4
const MOST_NODES = 2000
const MOST_S = 1.5
/**
 * The solver's simplex methods. Added loads leave its last answer possible, and the primal one goes on from
 * there; loads that are taken whole leave it no dearer than the best, and the dual one does.
 */
const [DUAL, PRIMAL] = [1, 4]

/**
 * The linear programme over loads: every cut is in one, every begun box and every new one there is holds at
 * most one. Where a load holds a cut, the next shorter one may lie in its place: the cheapest mixture costs
 * the same, and what cuts are worth settles in a third of the looks (H. Ben Amor, J. Desrosiers and J. M. V.
 * de Carvalho, Operations Research 54, 2006, from memory). Loads come in as they are found worth it. To be
 * disposed of.
 */
export class Programme {
  readonly known: Load[] = []
  /** What no plan costs less than, as far as is known. */
  least = 0
  /** What the last mixture costs. */
  cost = 0
  /** What each cut and each box was worth in the cheapest mixture of all loads, once it is known. */
  private cheapest: { readonly least: number; readonly duals: readonly number[] } | null = null
  private readonly model: Model
  private strategy = PRIMAL
  /** The first columns: as many as there are pairs of cuts that follow each other. */
  private readonly exchanges: number
  /** How often loads are taken whole, by their place. */
  private readonly taken = new Map<number, number>()
  /** The places of the known loads. */
  private readonly places = new Map<string, number>()

  constructor(
    private readonly packing: Packing,
    private readonly worth: Worth,
    private readonly highs: Highs,
  ) {
    this.model = highs.createModel()
    this.model.options.set({ output_flag: false, presolve: 'off' })
    const none = { indices: [], values: [] }
    for (const _ of packing.sizes) this.model.addRow(1, highs.infinity, none)
    for (const _ of packing.begun) this.model.addRow(-highs.infinity, 1, none)
    this.model.addRow(-highs.infinity, worth.mostFresh ?? highs.infinity, none)
    this.exchanges = Math.max(0, packing.sizes.length - 1)
    for (let longer = 0; longer < this.exchanges; longer++)
      this.model.addCol(0, 0, highs.infinity, { indices: [longer, longer + 1], values: [-1, 1] })
  }

  dispose(): void {
    this.model.dispose()
  }

  /** True where the load is new to it. */
  add(load: Load): boolean {
    const name = nameOf(load)
    if (load.cuts.length === 0 || this.places.has(name)) return false
    this.places.set(name, this.known.length)
    this.known.push(load)
    const indices = [...load.cuts.toSorted((a, b) => a - b), this.rowOf(load)]
    this.model.addCol(this.costOf(load), 0, this.highs.infinity, { indices, values: indices.map(() => 1) })
    return true
  }

  /** Shares of the known loads in the cheapest mixture of them, beside what is taken whole. */
  mix(): number[] {
    this.model.options.set({ simplex_strategy: this.strategy })
    this.strategy = PRIMAL
    this.model.run()
    this.cost = this.model.getObjectiveValue()
    const { colValue } = this.model.getSolution()
    return this.known.map((_, at) => colValue[this.exchanges + at]! - (this.taken.get(at) ?? 0))
  }

  /** Takes a load whole from now on, or once more. */
  take(known: number): void {
    const times = (this.taken.get(known) ?? 0) + 1
    this.taken.set(known, times)
    this.strategy = DUAL
    this.model.changeColBounds(this.exchanges + known, times, this.highs.infinity)
  }

  /** Takes none whole any more. */
  release(): void {
    for (const at of this.taken.keys())
      this.model.changeColBounds(this.exchanges + at, 0, this.highs.infinity)
    this.taken.clear()
    this.strategy = PRIMAL
  }

  /** Adds loads that the last mixture finds worth it; false where none is. `bounds` while none is taken. */
  look(bounds: boolean): boolean {
    const { sizes, begun, fresh } = this.packing
    const duals = this.model.getSolution().rowDual
    const values = sizes.map((_, i) => Math.max(0, duals[i]!))
    const all = knapsack(sizes, values, Math.max(fresh, ...begun))
    const found: Load[] = begun.map((length, box) => ({ box, cuts: all.chosen(length) }))
    found.push(...beside(all.loads(fresh)).map((cuts) => ({ box: FRESH, cuts })))
    if (bounds)
      this.least = Math.max(this.least, this.leastBy(values, begun.map(all.worth), all.worth(fresh)))
    const gains = (load: Load) => {
      const value = load.cuts.reduce((sum, cut) => sum + values[cut]!, 0)
      return value + duals[this.rowOf(load)]! - this.costOf(load) > NOTHING
    }
    const more = found.filter((load) => gains(load) && this.add(load)).length > 0
    const { optimal } = this.highs.constants.modelStatus
    if (bounds && !more && this.model.getModelStatus() === optimal)
      this.cheapest = { least: this.least, duals: [...duals] }
    return more
  }

  /**
   * Adds every load that a plan of at most this cost can have: one that alone costs as much more than the
   * cheapest mixture is in none of them. False where that is not known, or they are too many.
   */
  complete(cost: number): boolean {
    if (!this.cheapest) return false
    const { sizes, begun, fresh } = this.packing
    const { duals, least } = this.cheapest
    const values = sizes.map((_, i) => Math.max(0, duals[i]!))
    const boxes = [...begun.map((length, box) => ({ box, length })), { box: FRESH, length: fresh }]
    const spare = cost - least
    const found: Load[] = []
    for (const { box, length } of boxes) {
      const load = { box, cuts: [] }
      const needed = this.costOf(load) - duals[this.rowOf(load)]! - spare - NEAR
      const loads = loadsWithin(sizes, values, length, needed)
      if (!loads) return false
      found.push(...loads.map((cuts) => ({ box, cuts })))
    }
    found.forEach((load) => this.add(load))
    return true
  }

  /**
   * The cheapest of whole loads that are known, at least as good as `start`, and whether no other is cheaper;
   * null where the solver gives up.
   */
  whole(start: readonly Load[]): { readonly loads: readonly Load[]; readonly cheapest: boolean } | null {
    const { model, known, highs, exchanges } = this
    for (const load of start) this.add(load)
    known.forEach((_, at) => {
      model.changeColBounds(exchanges + at, 0, 1)
      model.changeColIntegrality(exchanges + at, highs.constants.variableType.integer)
    })
    // Costs are whole: nearer than that nothing is to be gained.
    model.options.set({ mip_max_nodes: MOST_NODES, time_limit: MOST_S, mip_abs_gap: 0.5, mip_rel_gap: 0 })
    const first = Array.from({ length: exchanges + known.length }, () => 0)
    for (const load of start) first[exchanges + this.places.get(nameOf(load))!] = 1
    model.setSolution({ colValue: first })
    model.run()
    const { colValue } = model.getSolution()
    if (colValue?.length !== first.length) return null
    const cheapest = model.getModelStatus() === highs.constants.modelStatus.optimal
    return { loads: known.filter((_, at) => colValue[exchanges + at]! > 0.5), cheapest }
  }

  private rowOf = ({ box }: Load): number =>
    this.packing.sizes.length + (box === FRESH ? this.packing.begun.length : box)
  private costOf = ({ box }: Load): number => (box === FRESH ? this.worth.fresh : this.worth.begun[box]!)

  /**
   * What no plan costs less than, by any values of the cuts (a Lagrange bound): all values, less what boxes
   * hold beyond their cost. Values are tried as they are, and scaled so that no new box holds more than it
   * costs.
   */
  private leastBy(values: readonly number[], mostBegun: readonly number[], mostFresh: number): number {
    const { fresh, begun, mostFresh: boxes } = this.worth
    const all = values.reduce((sum, value) => sum + value, 0)
    const by = (scale: number) => {
      const beyond = mostBegun.map((most, box) => Math.max(0, scale * most - begun[box]!))
      const freshBeyond = (boxes ?? values.length) * Math.max(0, scale * mostFresh - fresh)
      return scale * all - freshBeyond - beyond.reduce((sum, one) => sum + one, 0)
    }
    return Math.max(by(1), mostFresh > fresh ? by(fresh / mostFresh) : 0)
  }
}

const nameOf = ({ box, cuts }: Load): string => JSON.stringify([box, cuts.toSorted((a, b) => a - b)])

/** The first of the loads that share no cut, so many as one look adds. */
function beside(loads: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const cut = new Set<number>()
  const chosen: (readonly number[])[] = []
  for (const load of loads) {
    if (chosen.length === AT_ONCE) break
    if (load.some((one) => cut.has(one))) continue
    load.forEach((one) => cut.add(one))
    chosen.push(load)
  }
  return chosen
}
