/**
 * Runs long work in pieces on one thread: whoever waits can watch it, and a newer turn or a cancel ends it.
 */
export class Turns {
  private turn = 0

  constructor(private readonly breathMs: number) {}

  /** Ends what is running, if anything is. */
  cancel(): void {
    this.turn++
  }

  /**
   * Runs steps to their end and gives their result; null when a newer turn began meanwhile. `watch` hears
   * the share done.
   */
  async run<T>(steps: Generator<number, T>, watch: (share: number) => void): Promise<T | null> {
    const thisTurn = ++this.turn
    let since = performance.now()
    for (;;) {
      const { done, value } = steps.next()
      if (done) return value
      if (performance.now() - since < this.breathMs) continue
      watch(value)
      // messages come in here: another turn, or a cancel
      await new Promise<void>((carryOn) => setTimeout(carryOn, 0))
      if (this.turn !== thisTurn) return null
      since = performance.now()
    }
  }
}
