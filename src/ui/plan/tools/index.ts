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

/** What tells a tool from others: a tool that draws by what it draws. */
export const keyOf = (tool: Tool): string => (tool.does === 'draw' ? tool.kind : tool.does)

export { DRAWN, leastOf, type DrawnKind } from './drawn'
export type { Sheet, Tool } from './tool'
