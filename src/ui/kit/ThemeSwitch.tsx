'use client'

import { Button } from '@chakra-ui/react'
import { Moon, Sun, SunMedium } from 'lucide-react'
import { useTheme } from 'next-themes'
import { useEffect } from 'react'
import { useMounted } from './ink'

/** Daylight for the yard, Loft for work by head torch, Glare for the sun on the glass. */
const THEMES = [
  { key: 'daylight', name: 'Daylight', Icon: Sun },
  { key: 'loft', name: 'Loft', Icon: Moon },
  { key: 'glare', name: 'Glare', Icon: SunMedium },
] as const

/** Goes from one theme to the next. */
export function ThemeSwitch() {
  const { theme, setTheme } = useTheme()
  const mounted = useMounted()
  const at = mounted ? THEMES.findIndex(({ key }) => key === theme) : 0
  const { name, Icon } = THEMES[Math.max(0, at)]!
  useEffect(() => {
    if (mounted) document.documentElement.toggleAttribute('data-glare', theme === 'glare')
  }, [mounted, theme])
  return (
    <Button
      variant="ghost"
      colorPalette="inky"
      fontWeight={400}
      minH="44px"
      minW="44px"
      px={2}
      onClick={() => setTheme(THEMES[(at + 1) % THEMES.length]!.key)}
      aria-label={`Theme: ${name}. Change it`}
      title={`Theme: ${name}`}
    >
      <Icon size={18} aria-hidden />
    </Button>
  )
}
