import { Table } from '@chakra-ui/react'
import type { ReactNode } from 'react'

export type Row = readonly [key: string, cells: readonly ReactNode[]]

interface RowsProps {
  readonly title: string
  readonly heads: readonly string[]
  readonly rows: readonly Row[]
}

/** A table of a pull sheet, on the screen and on paper. */
export function Rows({ title, heads, rows }: RowsProps) {
  return (
    <Table.ScrollArea tabIndex={0} role="region" aria-label={title}>
      <Table.Root
        size="sm"
        bg="transparent"
        css={{ '& th, & td': { borderColor: 'rule' } }}
        className="figures"
      >
        <Table.Header>
          <Table.Row bg="transparent">
            {heads.map((head) => (
              <Table.ColumnHeader key={head} color="ink" ps={1}>
                {head}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.map(([key, cells]) => (
            <Table.Row key={key} bg="transparent">
              {cells.map((cell, i) => (
                <Table.Cell key={i} ps={1} whiteSpace="normal">
                  {cell}
                </Table.Cell>
              ))}
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Table.ScrollArea>
  )
}
