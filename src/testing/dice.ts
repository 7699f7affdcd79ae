/** Repeatable chance. */
export function dice(seed: number): (least: number, most: number) => number {
  let state = seed
  return (least, most) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return least + (state / 2_147_483_648) * (most - least)
  }
}
