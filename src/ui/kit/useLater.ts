import { startTransition, useEffect, useState } from 'react'

/** False until what is looked at first stands on the screen: the rest is drawn after it. */
export function useLater(): boolean {
  const [later, set] = useState(false)
  useEffect(() => startTransition(() => set(true)), [])
  return later
}
