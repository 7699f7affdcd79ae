'use client'

import { Box } from '@chakra-ui/react'
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react'
import { pressOn, type Keyboard } from './keys'

const KEYS_OF_PLAN =
  'Site plan. Arrow keys move what is selected, or the point that is asked about; [ and ] turn it; ' +
  'Delete takes it off; plus, minus and 0 zoom; Ctrl Z undoes. The menu key shows what else can be done.'

interface SheetProps {
  /** What lies above and below it, as lengths of style. */
  readonly edges: { readonly above: string; readonly below: string }
  readonly keyboard: Keyboard
  readonly children: (width: number, height: number) => ReactNode
}

/** The sheet that the plan lies on: all the room there is, with the keyboard's way of what a hand does. */
export function Sheet({ edges, keyboard, children, ...rest }: SheetProps) {
  const box = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState<readonly [number, number]>([0, 0])
  useEffect(() => {
    if (!box.current) return
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect
      setSize([Math.floor(width), Math.floor(height)])
    })
    watch.observe(box.current)
    return () => watch.disconnect()
  }, [])
  useKeysOnPage(keyboard)
  const press = (event: KeyboardEvent) => {
    if (!pressOn(keyboard, event, true)) return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <Box
      {...rest}
      ref={box}
      position="absolute"
      top={edges.above}
      bottom={edges.below}
      insetX={0}
      bg="sheet"
      overflow="hidden"
      data-testid="plan"
      tabIndex={0}
      role="application"
      aria-label={KEYS_OF_PLAN}
      onKeyDown={press}
      _focusVisible={{ outline: '2px solid', outlineColor: 'copper.fg', outlineOffset: '-2px' }}
    >
      {size[0] > 0 && size[1] > 0 ? children(...size) : null}
    </Box>
  )
}

const FIELDS = 'input, textarea, select, [contenteditable], [role=slider], [role=dialog], [role=menu]'

/** Tools, views and undo go by their keys wherever the focus is, while nobody types. */
function useKeysOnPage(keyboard: Keyboard): void {
  const latest = useRef(keyboard)
  useEffect(() => {
    latest.current = keyboard
  })
  useEffect(() => {
    const press = (event: globalThis.KeyboardEvent) => {
      const { target } = event
      if (target instanceof Element && target.closest(FIELDS)) return
      if (event.key.toLowerCase() === 'c' && !window.getSelection()?.isCollapsed) return
      if (event.defaultPrevented || !pressOn(latest.current, event, false)) return
      event.preventDefault()
      event.stopPropagation()
    }
    document.addEventListener('keydown', press)
    return () => document.removeEventListener('keydown', press)
  }, [])
}
