import type { CablePlan } from '../reels'
import { print, type QuantityKind, type UnitSystem } from '../units'
import { bundlesIn, leadsAhead } from '../pathway'
import type { PullSheet } from './lists'
import {
  fillWords,
  fittingWords,
  holeWords,
  inConduitWords,
  leadsIn,
  marksWords,
  orderWords,
  partWords,
  pointWords,
} from './words'

/** A table of the pull sheet, in words: what the screen, the paper and the PDF show alike. */
export interface PullTable {
  readonly title: string
  /** The list of the same, as CSV. */
  readonly list: string
  readonly heads: readonly string[]
  /** Shares of the width on paper, by column. */
  readonly shares: readonly number[]
  readonly rows: readonly (readonly string[])[]
  /** What stands below it. */
  readonly note?: string
}

const endSaid = (end: string): string => end || 'not chosen'

const NOT_COUNTED = 'Not counted: runs whose ends have no place on the plan'

/** Every table of a pull sheet in the order of the work, but the boxes; without rows where there are none. */
export function pullTables(sheet: PullSheet, units: UnitSystem): readonly PullTable[] {
  const said = (value: number, kind: QuantityKind) => print({ value, kind }, units)
  const of = (marks: readonly string[]) => `${marks.length}: ${marksWords(marks)}`
  return [
    {
      title: 'Cut',
      list: 'cut-list',
      heads: ['Device', 'Tape', 'Cable', 'Cut', 'Installed'],
      shares: [0.3, 0.16, 0.28, 0.14, 0.12],
      rows: sheet.cuts.map(({ mark, name, tape, cable, cutM, installedM }) => [
        `${mark} ${name}`,
        tape,
        cable,
        cutM === null ? 'ready-made lead' : said(cutM, 'cut'),
        said(installedM, 'cut'),
      ]),
    },
    {
      title: 'Ready-made leads',
      list: 'lead-list',
      heads: ['Device', 'Lead', 'Long', 'Goes first', 'Stays', 'Holes at least', 'To coil'],
      shares: [0.17, 0.16, 0.08, 0.17, 0.19, 0.1, 0.13],
      rows: leadsIn(sheet).map(({ mark, name, cable, installedM, lead }) => [
        `${mark} ${name}`,
        cable,
        said(installedM, 'cut'),
        lead.fedFrom === null ? `either end: ${endSaid(lead.first)}` : endSaid(lead.first),
        lead.fedFrom === null ? '' : `at ${lead.fedFrom}: ${endSaid(lead.last)}`,
        lead.passMm === null ? 'not known' : said(lead.passMm, 'size'),
        `${said(lead.leftM, 'cut')} ${lead.coil}`.trimEnd(),
      ]),
      note: 'The end that goes first passes every hole: drill for it, and feed the lead from where the other stays.',
    },
    {
      title: 'Pull together',
      list: 'pull-list',
      heads: ['Pull', 'Cables', 'Through', 'Together for', 'Then part into'],
      shares: [0.08, 0.23, 0.31, 0.14, 0.24],
      rows: [
        ...leadsAhead(sheet.pulls).map(({ mark, through, lengthM }) => [
          'first',
          of([mark]),
          through.join(', '),
          said(lengthM, 'cut'),
          'alone, before all others',
        ]),
        ...bundlesIn(sheet.pulls).map((pull, i) => [
          String(i + 1),
          of(pull.marks),
          pull.through.join(', '),
          said(pull.togetherM, 'cut'),
          partWords(pull),
        ]),
      ],
      note: orderWords(sheet.pulls),
    },
    {
      title: 'Conduits, ducts, trunking',
      list: 'conduit-list',
      heads: ['Which', 'Size', 'Cables', 'Full', 'At most', 'Grows', 'Judged', 'Right for them'],
      shares: [0.2, 0.13, 0.18, 0.07, 0.08, 0.08, 0.14, 0.12],
      rows: sheet.conduits.map((use) => [
        use.name,
        use.conduit?.name ?? 'not known',
        inConduitWords(use),
        use.fill ? said(use.fill.percent, 'share') : '',
        said(use.limitPercent, 'share'),
        use.growth ? said(use.growth.growsMm, 'size') : '',
        fillWords(use),
        fittingWords(use),
      ]),
      note: `${NOT_COUNTED}. Grows: the longest straight piece, where that is known, above ground.`,
    },
    {
      title: 'Pull through conduits',
      list: 'conduit-pulls',
      heads: [
        'Through',
        'Cables',
        'Length',
        'Bends',
        'Pull on each',
        'Stands',
        'Pull out towards',
        'Pull points',
      ],
      shares: [0.24, 0.13, 0.09, 0.09, 0.09, 0.09, 0.12, 0.15],
      rows: sheet.conduitPulls.map((pull) => [
        pull.through.join(', '),
        of(pull.marks),
        said(pull.lengthM, 'cut'),
        said(pull.bendsDeg, 'angle'),
        said(pull.pullN, 'force'),
        said(pull.standsN, 'force'),
        pull.outTowards,
        pointWords(pull, units),
      ]),
      note: `${NOT_COUNTED}, and what cables that lie there already add to the friction.`,
    },
    {
      title: 'Tools for closed spaces',
      list: 'reach-list',
      heads: ['Through', 'Cables', 'Longest stretch', 'Bring it through with', 'To open', 'People'],
      shares: [0.3, 0.2, 0.13, 0.21, 0.08, 0.08],
      rows: sheet.reaches.map(({ name, marks, longestM, tool, ports, people }) => [
        name,
        of(marks),
        said(longestM, 'cut'),
        tool,
        ports > 0 ? String(ports) : '',
        String(people),
      ]),
      note:
        'Taken as open where pathways end and at pull points. To open: access ports to cut, pull boxes to put. A ' +
        'pole stays in until all are through; a string goes in with them and stays for the next.',
    },
    {
      title: 'Catenary wires',
      list: 'wire-list',
      heads: ['Wire', 'Cables', 'Spans', 'Longest span', 'Sag', 'Wire to cut', 'Pull on an eye'],
      shares: [0.27, 0.21, 0.08, 0.12, 0.08, 0.12, 0.12],
      rows: sheet.strung.map(({ name, marks, spans, spanM, sagM, wireM, pullN }) => [
        name,
        of(marks),
        String(spans),
        said(spanM, 'cut'),
        said(sagM, 'cut'),
        said(wireM, 'cut'),
        said(pullN, 'force'),
      ]),
      note: 'By weight alone: wind and ice pull harder, by the local code. An eye at both ends and at every turn.',
    },
    {
      title: 'Edges',
      list: 'edge-list',
      heads: ['Out of', 'Towards', 'Cables', 'Across', 'What to do'],
      shares: [0.24, 0.22, 0.2, 0.1, 0.24],
      rows: sheet.edges.map((edge) => [
        edge.of,
        edge.towards,
        of(edge.marks),
        said(edge.passMm, 'size'),
        edge.remedy,
      ]),
      note: 'So that nothing is pinched or cut: no cable goes past a bare edge. Across: all of them with room.',
    },
    {
      title: 'Through walls',
      list: 'wall-holes',
      heads: ['Wall', 'Along', 'Cables', 'Above the floor', 'Deep', 'Hole'],
      shares: [0.22, 0.22, 0.2, 0.11, 0.09, 0.16],
      rows: sheet.wallHoles.map((hole) => [
        hole.wall,
        hole.through,
        of(hole.marks),
        said(hole.heightM, 'cut'),
        hole.deepM > 0 ? said(hole.deepM * 1000, 'size') : 'not known',
        holeWords(hole, units),
      ]),
      note:
        'Check the far side and hidden mains first: a small test hole shows where the wall comes out; drill ' +
        'from both sides to meet. Seal both sides, and fire walls as local rules ask. Not found: walls that ' +
        'are not drawn, and on the short way to a device.',
    },
    {
      title: 'Drill',
      list: 'drill-list',
      heads: ['Surface', 'For', 'Bit', 'Holes', 'Devices'],
      shares: [0.26, 0.24, 0.18, 0.08, 0.24],
      rows: sheet.drills.map(({ surface, purpose, bit, count, marks }) => [
        surface,
        purpose,
        bit,
        String(count),
        marksWords(marks),
      ]),
    },
    {
      title: 'Load',
      list: 'van-list',
      heads: ['What', 'Count', 'Spare', 'Devices'],
      shares: [0.42, 0.12, 0.1, 0.36],
      rows: sheet.van.map(({ item, unit, count, spare, marks }) => [
        item,
        unit === 'm' ? said(count, 'cut') : String(count),
        spare > 0 ? String(spare) : '',
        marksWords(marks),
      ]),
    },
  ]
}

/** What is cut from every box of one cable. */
export function boxTable({ cable, boxes }: CablePlan, units: UnitSystem): PullTable {
  const cut = (value: number) => print({ value, kind: 'cut' }, units)
  return {
    title: `Boxes of ${cable.name}`,
    list: 'box-plan',
    heads: ['Box', 'Holds', 'Cut in this order', 'Left'],
    shares: [0.14, 0.12, 0.62, 0.12],
    rows: boxes.map((box) => [
      box.name || 'No name',
      cut(box.lengthM),
      box.cuts.map(({ mark, cutM }) => `${mark}: ${cut(cutM)}`).join(', '),
      cut(box.leftM),
    ]),
  }
}
