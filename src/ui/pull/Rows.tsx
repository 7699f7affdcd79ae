import { Table } from '@chakra-ui/react'
import type { ReactNode } from 'react'

export type Row = readonly [key: string, cells: readonly ReactNode[]]

interface RowsProps {
  readonly title: string
  readonly heads: readonly string[]
  /** Shares of the width, by column: to find them in thousands of rows takes a browser long. */
  readonly shares: readonly number[]
  readonly rows: readonly Row[]
}

/** A column is seldom narrower; a table of many is moved sideways on a phone. */
const LEAST_PX = 118
/** Cells are styled once for all: there may be thousands. */
const CELLS = {
  'tableLayout': 'fixed',
  '& th, & td': {
    whiteSpace: 'normal',
    borderBottomWidth: '1px',
    borderColor: 'rule',
    py: 2,
    pe: 3,
    ps: 1,
    textAlign: 'start',
    overflowWrap: 'break-word',
  },
  '& th': { fontWeight: 600 },
} as const

/** A table of a pull sheet, on the screen and on paper. */
export function Rows({ title, heads, shares, rows }: RowsProps) {
  return (
    <Table.ScrollArea tabIndex={0} role="region" aria-label={title}>
      <Table.Root
        size="sm"
        bg="transparent"
        color="ink"
        css={CELLS}
        minW={`${LEAST_PX * heads.length}px`}
        className="figures"
      >
        <colgroup>
          {shares.map((share, i) => (
            <col key={i} style={{ width: `${100 * share}%` }} />
          ))}
        </colgroup>
        <thead>
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([key, cells]) => (
            <tr key={key}>
              {cells.map((cell, i) => (
                <td key={i}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table.Root>
    </Table.ScrollArea>
  )
}
