import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns'

/** The day on which the demo is told to be looked at: the day after its last entry. */
const TOLD_ON = '2026-11-06'
const DAY = /"(\d{4}-\d{2}-\d{2})(T[\d:.]+Z)?"/g

/**
 * A demo job with every day moved by whole days, so that what was due soon is due soon on `today` (ISO
 * date).
 */
export function asOf(words: string, today: string): string {
  const days = differenceInCalendarDays(parseISO(today), parseISO(TOLD_ON))
  return words.replace(
    DAY,
    (_, day: string, time = '') =>
      `"${formatISO(addDays(parseISO(day), days), { representation: 'date' })}${time as string}"`,
  )
}
