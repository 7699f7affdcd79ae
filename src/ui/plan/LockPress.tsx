'use client'

import { Button } from '@chakra-ui/react'
import { Lock, LockOpen } from 'lucide-react'
import { locking } from './changes'
import type { Editor, Picked } from './editor'

/** Locks what is selected, or frees it. */
export function LockPress({ picked, locked, editor }: { picked: Picked; locked: boolean; editor: Editor }) {
  const Icon = locked ? Lock : LockOpen
  return (
    <Button
      size="sm"
      minH="44px"
      variant={locked ? 'solid' : 'outline'}
      colorPalette="inky"
      aria-pressed={locked}
      onClick={() => void editor.commit(...locking(editor.job, [picked], !locked))}
    >
      <Icon size={16} aria-hidden />
      {locked ? 'Unlock' : 'Lock'}
    </Button>
  )
}
