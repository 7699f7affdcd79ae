import 'server-only'
import Papa from 'papaparse'
import { everyOne, FLOORS, type Job } from '@/core/job'
import { bundlesIn, leadsAhead } from '@/core/pathway'
import type { PullSheet } from '@/core/pull'
import { fillWords, fittingWords, holeWords, leadsIn, pointWords } from '@/core/pull'
import { print } from '@/core/units'

type Of = Pick<Job, 'units' | 'devices' | 'equipment' | 'runs'>

/** Devices by mark and name: `01 Workshop doors`. A mark alone would lose its nought in a spreadsheet. */
function named(marks: readonly string[], job: Of): string {
  const names = new Map(everyOne(job).map(({ mark, name }) => [mark, name]))
  return marks.map((mark) => `${mark} ${names.get(mark) ?? ''}`.trim()).join('; ')
}

/**
 * CSV that spreadsheets read as it is meant: UTF-8 told by its byte-order mark, and no cell that would run
 * as a formula.
 */
export function csv(rows: readonly Record<string, string | number>[]): string {
  return `\uFEFF${Papa.unparse([...rows], { escapeFormulae: /^[=+\-@\t\r\uFF1D\uFF0B\uFF0D\uFF20]/ })}`
}

/** The lists of a pull sheet as CSV: the same figures as the screen, in the job's units. */
export const PULL_LISTS = {
  'cut-list': ({ cuts }: PullSheet, job: Of) =>
    csv(
      cuts.map(({ mark, cable, cutM, installedM, tape }) => ({
        device: named([mark], job),
        tape,
        cable,
        cut: cutM === null ? 'ready-made lead' : print({ value: cutM, kind: 'cut' }, job.units),
        installed: print({ value: installedM, kind: 'cut' }, job.units),
      })),
    ),
  'lead-list': (sheet: PullSheet, job: Of) =>
    csv(
      leadsIn(sheet).map(({ mark, cable, installedM, lead }) => ({
        'device': named([mark], job),
        'lead': cable,
        'length': print({ value: installedM, kind: 'cut' }, job.units),
        'fed from': lead.fedFrom ?? 'either end',
        'goes first': lead.first || 'not chosen',
        'stays': lead.last || 'not chosen',
        'holes at least':
          lead.passMm === null ? 'not known' : print({ value: lead.passMm, kind: 'size' }, job.units),
        'to coil': print({ value: lead.leftM, kind: 'cut' }, job.units),
        'coiled': lead.coil,
      })),
    ),
  'pull-list': ({ pulls }: PullSheet, job: Of) =>
    csv([
      ...leadsAhead(pulls).map(({ mark, through, lengthM }) => ({
        'pull': 'first',
        'together': named([mark], job),
        'cables': 1,
        'through': through.join(', '),
        'for': print({ value: lengthM, kind: 'cut' }, job.units),
        'then part': '',
        'later': '',
        'from the device': pulls.turned.includes(mark) ? named([mark], job) : '',
      })),
      ...bundlesIn(pulls).map(({ marks, through, togetherM, parts, later }, i) => ({
        'pull': i + 1,
        'together': named(marks, job),
        'cables': marks.length,
        'through': through.join(', '),
        'for': print({ value: togetherM, kind: 'cut' }, job.units),
        'then part': parts.map((part) => named(part, job)).join(' | '),
        'later': named(later, job),
        'from the device': named(
          marks.filter((mark) => pulls.turned.includes(mark)),
          job,
        ),
      })),
    ]),
  'conduit-list': ({ conduits }: PullSheet, job: Of) =>
    csv(
      conduits.map((use) => ({
        'conduit': use.name,
        'size': use.conduit?.name ?? 'not known',
        'cables': use.marks.length,
        'lie there too': use.others,
        'full': use.fill ? print({ value: use.fill.percent, kind: 'share' }, job.units) : 'not known',
        'at most': print({ value: use.limitPercent, kind: 'share' }, job.units),
        'grows': use.growth ? print({ value: use.growth.growsMm, kind: 'size' }, job.units) : '',
        'judged': fillWords(use),
        'right for them': fittingWords(use),
        'devices': named(use.marks, job),
      })),
    ),
  'conduit-pulls': ({ conduitPulls }: PullSheet, job: Of) =>
    csv(
      conduitPulls.map((pull) => ({
        'through': pull.through.join(', '),
        'cables': pull.marks.length,
        'length': print({ value: pull.lengthM, kind: 'cut' }, job.units),
        'bends': print({ value: pull.bendsDeg, kind: 'angle' }, job.units),
        'pull on each': print({ value: pull.pullN, kind: 'force' }, job.units),
        'stands': print({ value: pull.standsN, kind: 'force' }, job.units),
        'pull out towards': pull.outTowards,
        'pull points': pointWords(pull, job.units),
        'devices': named(pull.marks, job),
      })),
    ),
  'reach-list': ({ reaches }: PullSheet, job: Of) =>
    csv(
      reaches.map(({ name, marks, longestM, tool, ports, people }) => ({
        'through': name,
        'cables': marks.length,
        'longest stretch': print({ value: longestM, kind: 'cut' }, job.units),
        'with': tool,
        'to open': ports,
        people,
        'devices': named(marks, job),
      })),
    ),
  'wire-list': ({ strung }: PullSheet, job: Of) =>
    csv(
      strung.map(({ name, marks, spans, spanM, sagM, wireM, pullN }) => ({
        'wire': name,
        'spans': spans,
        'longest span': print({ value: spanM, kind: 'cut' }, job.units),
        'sag': print({ value: sagM, kind: 'cut' }, job.units),
        'wire to cut': print({ value: wireM, kind: 'cut' }, job.units),
        'pull on an eye': print({ value: pullN, kind: 'force' }, job.units),
        'devices': named(marks, job),
      })),
    ),
  'edge-list': ({ edges }: PullSheet, job: Of) =>
    csv(
      edges.map(({ of, towards, floor, at, marks, passMm, remedy }) => ({
        'out of': of,
        towards,
        'floor': FLOORS[floor],
        'x m': at.x.toFixed(2),
        'y m': at.y.toFixed(2),
        'across': print({ value: passMm, kind: 'size' }, job.units),
        'what to do': remedy,
        'cables': marks.length,
        'devices': named(marks, job),
      })),
    ),
  'wall-holes': ({ wallHoles }: PullSheet, job: Of) =>
    csv(
      wallHoles.map((hole) => ({
        'wall': hole.wall,
        'along': hole.through,
        'floor': FLOORS[hole.floor],
        'x m': hole.at.x.toFixed(2),
        'y m': hole.at.y.toFixed(2),
        'above the floor': print({ value: hole.heightM, kind: 'cut' }, job.units),
        'deep': hole.deepM > 0 ? print({ value: hole.deepM * 1000, kind: 'size' }, job.units) : 'not known',
        'hole': holeWords(hole, job.units),
        'cables': hole.marks.length,
        'devices': named(hole.marks, job),
      })),
    ),
  'drill-list': ({ drills }: PullSheet, job: Of) =>
    csv(
      drills.map(({ surface, purpose, bit, count, marks }) => ({
        surface,
        purpose,
        bit,
        holes: count,
        devices: named(marks, job),
      })),
    ),
  'van-list': ({ van }: PullSheet, job: Of) =>
    csv(
      van.map(({ kind, item, count, spare, unit, marks }) => ({
        kind,
        item,
        count: unit === 'm' ? print({ value: count, kind: 'cut' }, job.units) : count,
        spare,
        devices: named(marks, job),
      })),
    ),
} as const
