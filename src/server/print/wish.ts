import 'server-only'
import { z } from 'zod'
import { FLOORS, type Floor, type Job } from '@/core/job'
import { SEEN, type Seen } from '@/drawings/plan'
import { SHEETS, type SheetPaper } from '@/drawings/sheet'
import { plainName } from '../exports/attachment'
import { PLAN_FORMATS, type PlanFormat, type PlanOrder } from './planPrint'

const oneOf = <K extends string>(of: Readonly<Record<K, unknown>>) => z.enum(Object.keys(of) as [K, ...K[]])

/** How a plan is asked for. */
export const PlanWish = z.strictObject({
  floor: oneOf<Floor>(FLOORS).default('ground'),
  seen: oneOf<Seen>(SEEN).default('density'),
  faces: z.boolean().default(false),
  cables: z.boolean().default(true),
  paper: oneOf<SheetPaper>(SHEETS).default('a4'),
  upright: z.boolean().default(false),
  scale: z.number().min(1).max(100_000).nullable().default(null),
  format: oneOf<PlanFormat>(PLAN_FORMATS).default('pdf'),
})

export const planOrder = ({ faces, format, ...wish }: z.infer<typeof PlanWish>): PlanOrder => ({
  wish,
  faces,
  format,
})

/** File name of a printed plan. */
export const planName = ({ name }: Job, { floor, seen, format }: z.infer<typeof PlanWish>): string =>
  plainName(`${name} plan ${FLOORS[floor]}${seen === 'none' ? '' : ` ${SEEN[seen]}`}`, format)
