'use client'

import { Button, type ButtonProps } from '@chakra-ui/react'
import { useRef } from 'react'

interface PickFileProps extends Omit<ButtonProps, 'onClick'> {
  /** What kinds of files are offered. */
  readonly accept: string
  readonly inputId: string
  readonly onFile: (file: File) => void
}

/** A button that has one file picked; the same file can be picked again. */
export function PickFile({ accept, inputId, onFile, ...button }: PickFileProps) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        data-testid={inputId}
        onChange={(event) => {
          const file = event.target.files?.[0]
          event.target.value = ''
          if (file) onFile(file)
        }}
      />
      <Button
        variant="outline"
        colorPalette="inky"
        minH="44px"
        {...button}
        onClick={() => input.current?.click()}
      />
    </>
  )
}
