import { draw } from './draw'
import { measure } from './measure'
import { place } from './place'
import { scale } from './scale'
import { select } from './select'
import type { Handling, Tool } from './tool'
import { wish } from './wish'

/** Every tool of the plan. */
const TOOLS: { readonly [D in Tool['does']]: Handling<Extract<Tool, { does: D }>> } = {
  select,
  draw,
  place,
  wish,
  scale,
  measure,
}

/** How the tool in hand is handled. */
export const handlingOf = (tool: Tool): Handling<Tool> => TOOLS[tool.does] as unknown as Handling<Tool>

export { DRAWN, type DrawnKind } from './drawn'
export type { Sheet, Tool } from './tool'
