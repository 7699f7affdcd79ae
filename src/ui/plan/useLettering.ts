import { useEffect, useState } from 'react'
import { FONT } from './shapes/marks'

const LETTERS = ['400', '600'].map((weight) => `${weight} 12px ${FONT}`)

/**
 * Whether the letters of the plan are here. A canvas does not wait for them: what it measures and draws
 * before stays as it was. Where they cannot be had, the device's own will do.
 */
export function useLettering(): boolean {
  const [here, set] = useState(() => LETTERS.every((one) => document.fonts.check(one)))
  useEffect(() => {
    if (here) return
    let wanted = true
    void Promise.allSettled(LETTERS.map((one) => document.fonts.load(one))).then(() => wanted && set(true))
    return () => {
      wanted = false
    }
  }, [here])
  return here
}
