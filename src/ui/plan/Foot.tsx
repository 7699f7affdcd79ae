'use client'

import { Box, Button, Flex, HStack, Text } from '@chakra-ui/react'
import { Layers as LayersIcon, Maximize, ZoomIn, ZoomOut } from 'lucide-react'
import type { ReactNode } from 'react'
import { wordOf } from '@/core/plan'
import type { Editor } from './editor'
import { IconPress } from './IconPress'
import { Undoing } from './Rail'
import type { Eye } from './usePlanView'

/** What is open over the sheet. */
export type Open = 'panel' | 'layers' | null

/** Two fingers do it on a phone. */
const WIDE_ONLY = { base: 'none', md: 'inline-flex' } as const

interface FootProps {
  readonly editor: Editor
  readonly eye: { readonly current: Eye | null }
  readonly open: Open
  readonly onOpen: (what: Exclude<Open, null>) => void
  readonly ask: ReactNode
  readonly sun: string | null
  readonly legend: ReactNode
}

/** Below on the sheet: what is asked, the scale of colours, zoom and layers; on a phone also the panel. */
export function Foot({ editor, eye, open, onOpen, ask, sun, legend }: FootProps) {
  const zoom = [
    ['Nearer', '+', ZoomIn, WIDE_ONLY, () => eye.current?.zoomBy(1.25)],
    ['Farther', '−', ZoomOut, WIDE_ONLY, () => eye.current?.zoomBy(0.8)],
    ['All of it', '0', Maximize, undefined, () => eye.current?.fitAll()],
  ] as const
  return (
    <Box position="absolute" bottom={0} insetX={0} bg="paper" borderTopWidth="1px" borderColor="rule" px={3}>
      <Flex direction={{ base: 'column', md: 'row' }} align={{ md: 'flex-end' }} columnGap={2}>
        <Box flex="1" minW={0} pt={1} pb={{ base: 0, md: 1 }}>
          {ask}
          {sun === null ? null : <Text className="figures">{sun}</Text>}
          {legend}
        </Box>
        <HStack gap={{ base: 2, md: 0 }} py={1} flexShrink={0} justify="flex-end">
          {zoom.map(([name, key, icon, display, run]) => (
            <IconPress
              key={name}
              name={name}
              hint={` (${key})`}
              icon={icon}
              display={display}
              onPress={run}
            />
          ))}
          <HStack gap={2} display={{ base: 'flex', md: 'none' }}>
            <Undoing undo={editor.undo} redo={editor.redo} />
          </HStack>
          <Button
            size="sm"
            minH="44px"
            variant={open === 'layers' ? 'solid' : 'outline'}
            colorPalette="inky"
            aria-expanded={open === 'layers'}
            aria-keyshortcuts="L"
            title="Layers (L)"
            onClick={() => onOpen('layers')}
          >
            <LayersIcon size={18} aria-hidden />
            Layers
          </Button>
          <Button
            data-foot-panel
            display={{ base: 'inline-flex', md: 'none' }}
            size="sm"
            minH="44px"
            variant={open === 'panel' ? 'solid' : 'outline'}
            colorPalette="inky"
            aria-expanded={open === 'panel'}
            onClick={() => onOpen('panel')}
          >
            {pickedWords(editor)}
          </Button>
        </HStack>
      </Flex>
    </Box>
  )
}

/** What the phone's panel is about. */
function pickedWords({ job, selected, selection }: Editor): string {
  if (selected.length > 1) return `${selected.length} selected`
  if (!selection) return 'Details'
  const device = job.devices.find(({ id }) => id === selection.id)
  if (device) return device.mark
  const thing = job.things.find(({ id }) => id === selection.id)
  return thing ? wordOf(thing) : 'Details'
}
