'use client'

import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { useLayoutEffect, useRef, useState, type RefObject } from 'react'

/** Lists up to this length are drawn whole: a browser finds words in them, and paper takes them all. */
const WHOLE = 100

export interface Windowed<T> {
  readonly list: RefObject<HTMLElement | null>
  /** The items to draw, each with its place in the whole list. */
  readonly shown: readonly { readonly item: T; readonly index: number }[]
  /** What the items above and below take, px. */
  readonly abovePx: number
  readonly belowPx: number
}

/** The part of a long list of rows of one height that is in view, by the window's own scrolling. */
export function useWindowed<T>(items: readonly T[], rowPx: number): Windowed<T> {
  const list = useRef<HTMLElement | null>(null)
  const [top, setTop] = useState(0)
  useLayoutEffect(() => setTop(list.current?.getBoundingClientRect().top ?? 0), [])
  const many = items.length > WHOLE
  const virtual = useWindowVirtualizer({
    count: items.length,
    estimateSize: () => rowPx,
    overscan: 8,
    scrollMargin: top,
    enabled: many,
  })
  if (!many) {
    const shown = items.map((item, index) => ({ item, index }))
    return { list, shown, abovePx: 0, belowPx: 0 }
  }
  const rows = virtual.getVirtualItems()
  const [first, last] = [rows[0], rows.at(-1)]
  return {
    list,
    shown: rows.map(({ index }) => ({ item: items[index]!, index })),
    abovePx: first ? first.start - top : 0,
    belowPx: last ? virtual.getTotalSize() - (last.end - top) : 0,
  }
}
