import { print, parse, type QuantityKind, type UnitSystem } from '../units'
import { PART_KINDS, type PartTable } from './kinds'
import type { Asked, PartKind, Value } from './kinds/fields'
import type { OwnPart } from './own'

/**
 * A maker's sheet as it is typed: words by the way to each value. What has no words is not read: the part has
 * it as the generic part it was begun with.
 */

export type Entries = Readonly<Record<string, string>>

/** What is typed or chosen where a value has none. */
export const NONE = 'none'

type Tree = Record<string, unknown>
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null

/** The value that a way leads to; undefined where it leads nowhere. */
export function valueAt(part: unknown, path: string): unknown {
  let at: unknown = part
  for (const step of path.split('/')) at = isTree(at) ? at[step] : undefined
  return at
}

function setAt(part: Tree, path: string, value: unknown): Tree {
  const [step, ...rest] = path.split('/') as [string, ...string[]]
  if (rest.length > 0) return { ...part, [step]: setAt(part[step] as Tree, rest.join('/'), value) }
  if (value !== undefined) return { ...part, [step]: value }
  const { [step]: _, ...others } = part
  return others
}

/** What a sheet is asked for: a part that feeds nothing is not asked for volts. */
export function asksOf(table: PartTable, from: object): readonly Asked[] {
  return PART_KINDS[table].asks.filter(({ path }) => !path.includes('/') || valueAt(from, path) !== undefined)
}

type Understood = { readonly value: unknown } | { readonly wrong: string }

const wrong = (words: string): Understood => ({ wrong: words })

/** Reads the words of one value. */
export function understood(asked: Value, said: string, units: UnitSystem): Understood {
  const { way, none, absent } = asked
  const words = said.trim()
  if (words.toLowerCase() === NONE) {
    if (none !== undefined) return { value: absent ? undefined : null }
    if (way.as === 'list' || way.as === 'ticks') return { value: [] }
  }
  switch (way.as) {
    case 'quantity':
      return numberOf(words, way.kind, units)
    case 'range':
      return rangeOf(words, way.kind, units)
    case 'choice':
      return keyOf(words, way.options)
    case 'ticks':
      return allOf(listOf(words).map((word) => keyOf(word, way.options)))
    case 'yes or no':
      return keyOf(words, { yes: 'Yes', no: 'No' }, (key) => key === 'yes')
    case 'words':
      return { value: words }
    case 'list':
      return { value: listOf(words) }
    case 'rows':
      return rowsOf(words, way.row, units)
  }
}

const listOf = (words: string): string[] => words.split(/[,;]/).flatMap((word) => word.trim() || [])

function numberOf(words: string, kind: QuantityKind, units: UnitSystem): Understood {
  const parsed = parse(words, kind, units)
  // 4.5 mm by way of metres is 4.500000000000001: no sheet says that.
  return parsed.ok ? { value: Number(parsed.value.toPrecision(12)) } : wrong(parsed.message)
}

/** What stands between the two of a range. A hyphen does not where it stands before a fraction: 1-1/2. */
const BETWEEN = /\s*(?:\bto\b|–|—|…|(?<=[^\s-])-(?=\s*[\d.]+(?!\d*\/))|\s-\s)\s*/

/** `2.8 to 12 mm`, `2.8-12`, `12`: a unit that stands once stands for both. */
function rangeOf(words: string, kind: QuantityKind, units: UnitSystem): Understood {
  const [first = '', last = first, ...more] = words.split(BETWEEN)
  if (more.length > 0) return wrong('Write it like 2.8 to 12.')
  const unit = /[^\d.,\s/+-]+$/.exec(last)?.[0] ?? ''
  const least = numberOf(/[^\d.,\s/+-]$/.test(first) ? first : `${first} ${unit}`.trim(), kind, units)
  const most = numberOf(last, kind, units)
  if ('wrong' in least) return least
  return 'wrong' in most ? most : { value: [least.value, most.value] }
}

/** A choice by its key or by its name, whatever its capitals. */
function keyOf(
  words: string,
  options: Readonly<Record<string, string>>,
  as: (key: string) => unknown = (key) => key,
): Understood {
  const wanted = words.toLowerCase()
  const found = Object.entries(options).find((pair) => pair.some((word) => word.toLowerCase() === wanted))
  return found ? { value: as(found[0]) } : wrong(`Choose one of: ${Object.values(options).join(', ')}.`)
}

function allOf(all: readonly Understood[]): Understood {
  const bad = all.find((one) => 'wrong' in one)
  return bad ?? { value: all.map((one) => ('value' in one ? one.value : undefined)) }
}

/** Rows of a list, as JSON of words by the way in the row; what is empty and may be so has none. */
function rowsOf(words: string, row: readonly Value[], units: UnitSystem): Understood {
  const rows = rowsIn(words)
  if (rows === null) return wrong('The rows cannot be read.')
  const read = rows.map((entries): Understood => {
    const made: Tree = {}
    for (const asked of row) {
      const said = entries[asked.path]?.trim() ?? ''
      const empty = said === '' && (asked.none !== undefined || asked.way.as === 'list')
      const one = understood(asked, empty ? NONE : said, units)
      if ('wrong' in one) return wrong(`${asked.label}: ${one.wrong}`)
      if (one.value !== undefined) made[asked.path] = one.value
    }
    return { value: made }
  })
  return allOf(read)
}

/** The rows that words hold; null where they hold none. */
export function rowsIn(words: string): readonly Entries[] | null {
  try {
    const rows: unknown = JSON.parse(words)
    return Array.isArray(rows) && rows.every(isTree) ? (rows as Entries[]) : null
  } catch {
    return null
  }
}

/** The words of a value, exact in metric; in feet and inches as the job prints it. '' for what has none. */
export function wordsFor(asked: Value, value: unknown, units: UnitSystem): string {
  const { way } = asked
  const number = (one: unknown, kind: QuantityKind) => {
    if (units === 'imperial') return print({ value: one as number, kind }, units)
    const unit = /[^\d.,-]+$/.exec(print({ value: 1, kind }, 'metric'))?.[0] ?? ''
    return `${Number((one as number).toPrecision(12))}${unit}`
  }
  if (value === null || value === undefined) return NONE
  switch (way.as) {
    case 'quantity':
      return number(value, way.kind)
    case 'range':
      return (value as unknown[]).map((one) => number(one, way.kind)).join(' to ')
    case 'ticks':
    case 'list':
      return (value as string[]).join(', ') || NONE
    case 'yes or no':
      return value === true ? 'yes' : 'no'
    case 'rows':
      return JSON.stringify(
        (value as Tree[]).map((row) =>
          Object.fromEntries(
            way.row.map((one) => {
              const said = wordsFor(one, row[one.path], units)
              return [one.path, said === NONE ? '' : said]
            }),
          ),
        ),
      )
    case 'choice':
    case 'words':
      return value as string
  }
}

/** The words of everything that is read of an own part. */
export function entriesOf({ table, part, unread }: OwnPart, units: UnitSystem): Entries {
  const missing = new Set(unread)
  const read = asksOf(table, part).filter(({ path }) => !missing.has(path))
  return Object.fromEntries(
    read.map((asked) => [asked.path, wordsFor(asked, valueAt(part, asked.path), units)]),
  )
}

/** What a sheet comes to: the part, what of it is not read, and what is wrong by the way to it. */
export interface Sheet {
  readonly own: OwnPart | null
  /** How many values are read: what is not understood is none. */
  readonly read: number
  readonly unread: readonly Asked[]
  /** '' is the part as a whole. */
  readonly wrong: Readonly<Record<string, string>>
}

/** What is said of an own part beside its values. */
export interface Begun<T extends PartTable = PartTable> {
  readonly id: string
  readonly table: T
  readonly name: string
  readonly sheet: string
  /** The generic part that it is begun with. */
  readonly from: { readonly id: string }
  /** The own part as it stands: words that still say its value keep it to the last digit. */
  readonly held: OwnPart | null
}

/** Reads a whole sheet. Never throws. */
export function readSheet(begun: Begun, entries: Entries, units: UnitSystem): Sheet {
  const { id, table, name, sheet, from, held } = begun
  const kind = PART_KINDS[table] as unknown as PartKind
  const { id: fromId, ...generic } = from
  const heldWords = held ? entriesOf(held, units) : {}
  const asks = asksOf(table, from)
  const mistakes: Record<string, string> = {}
  const unread: Asked[] = []
  let part: Tree = { ...generic, name: name.trim() }
  for (const asked of asks) {
    const { path } = asked
    const said = entries[path]?.trim() ?? ''
    if (said === '') {
      unread.push(asked)
      continue
    }
    const one: Understood =
      held && said === heldWords[path] ? { value: valueAt(held.part, path) } : understood(asked, said, units)
    if ('wrong' in one) mistakes[path] = one.wrong
    else part = setAt(part, path, path === 'openings' ? withKeys(one.value, from) : one.value)
  }
  const missing = new Set(unread.map(({ path }) => path))
  const cited = kind.cites?.(part, (path) => !missing.has(path))
  const made = kind.schema.safeParse({ ...part, ...cited })
  for (const { path, message } of made.error?.issues ?? []) {
    const way = path.map(String).join('/')
    const at = asks.find((one) => way === one.path || way.startsWith(`${one.path}/`))?.path
    const where = at ?? (way === 'name' ? 'name' : '')
    mistakes[where] ??= message
  }
  const own = { id, table, from: fromId, sheet: sheet.trim(), unread: [...missing], part: made.data }
  const fine = made.success && Object.keys(mistakes).length === 0
  const read = asks.filter(({ path }) => !missing.has(path) && !(path in mistakes)).length
  return { own: fine ? (own as OwnPart) : null, read, unread, wrong: mistakes }
}

/** Openings keep the keys that seals were chosen by; a new one gets a key of its own. */
function withKeys(openings: unknown, from: object): unknown {
  if (!Array.isArray(openings)) return openings
  const before = (valueAt(from, 'openings') ?? []) as readonly Tree[]
  const taken = new Set<string>()
  return openings.map((one: Tree) => {
    const known = before.find(({ name, key }) => name === one.name && !taken.has(String(key)))?.key
    const plain = String(one.name)
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 20)
    let key = typeof known === 'string' ? known : plain || 'opening'
    for (let n = 2; taken.has(key); n++) key = `${plain || 'opening'}-${n}`
    taken.add(key)
    return { key, ...one }
  })
}
