import type { z } from 'zod'
import { oneOf } from './fields'

/** What fits on what, by interface and not by name. */
export const Interface = oneOf('surface', 'box lid', 'pipe thread', 'hood', 'arm', 'pole plate', 'bracket')
export type Interface = z.infer<typeof Interface>

/**
 * From where a part's screws are turned: through its own open front, from outside, through the open back of
 * what it sits on, or inside what encloses it.
 */
export const Fastened = oneOf('from its front', 'from outside', 'from behind', 'inside its support')
