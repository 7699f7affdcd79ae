'use client'

import { Button } from '@chakra-ui/react'
import { Moon, Sun } from 'lucide-react'
import { useTheme } from 'next-themes'
import { useMounted } from './ink'

/** Daylight for the yard, Loft for work by head torch. */
export function ThemeSwitch() {
  const { theme, setTheme } = useTheme()
  const loft = useMounted() && theme === 'loft'
  const name = loft ? 'Loft' : 'Daylight'
  return (
    <Button
      variant="ghost"
      colorPalette="inky"
      fontWeight={400}
      minH="44px"
      minW="44px"
      px={2}
      onClick={() => setTheme(loft ? 'daylight' : 'loft')}
      aria-label={`Theme: ${name}. Change it`}
      title={`Theme: ${name}`}
    >
      {loft ? <Moon size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
    </Button>
  )
}
