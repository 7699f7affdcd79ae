'use client'

import { Checkbox } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A tick box with a target large enough for gloves. */
export function Tick({
  checked,
  onTick,
  children,
}: {
  checked: boolean
  onTick: (checked: boolean) => void
  children: ReactNode
}) {
  return (
    <Checkbox.Root
      checked={checked}
      onCheckedChange={(details) => onTick(details.checked === true)}
      minH="44px"
      alignItems="center"
      colorPalette="inky"
    >
      <Checkbox.HiddenInput />
      <Checkbox.Control borderColor="ink">
        <Checkbox.Indicator />
      </Checkbox.Control>
      <Checkbox.Label fontWeight={400}>{children}</Checkbox.Label>
    </Checkbox.Root>
  )
}
