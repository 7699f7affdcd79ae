'use client'

import { IconButton, type IconButtonProps } from '@chakra-ui/react'
import type { LucideIcon } from 'lucide-react'

interface IconPressProps extends Pick<IconButtonProps, 'display' | 'disabled' | 'aria-expanded'> {
  readonly name: string
  /** What is told of it on hover beside its name. */
  readonly hint?: string
  readonly icon: LucideIcon
  readonly onPress: () => void
}

/** A button of the plan that shows a sign alone; its name is told on hover and to who cannot see it. */
export const IconPress = ({ name, hint = '', icon: Icon, onPress, ...rest }: IconPressProps) => (
  <IconButton
    {...rest}
    size="sm"
    minH="44px"
    minW="44px"
    variant="ghost"
    colorPalette="inky"
    aria-label={name}
    title={`${name}${hint}`}
    onClick={onPress}
  >
    <Icon size={18} />
  </IconButton>
)
