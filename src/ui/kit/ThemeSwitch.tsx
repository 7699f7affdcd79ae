'use client'

import { Button } from '@chakra-ui/react'
import { useTheme } from 'next-themes'
import { useSyncExternalStore } from 'react'

const never = () => () => undefined

/** Daylight for the yard, Loft for work by head torch. */
export function ThemeSwitch() {
  const { theme, setTheme } = useTheme()
  const mounted = useSyncExternalStore(never, () => true, () => false)
  const loft = mounted && theme === 'loft'
  return (
    <Button size="sm" variant="ghost" color="inherit" fontWeight={400} onClick={() => setTheme(loft ? 'daylight' : 'loft')} aria-label={`Theme: ${loft ? 'Loft' : 'Daylight'}. Change it`} _hover={{ bg: 'transparent', textDecoration: 'underline' }}>
      {loft ? 'Loft' : 'Daylight'}
    </Button>
  )
}
