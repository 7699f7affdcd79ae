import { useEffect, useMemo, useState } from 'react'
import type { Site } from '@/core/job'
import type { Occluders } from '@/core/plan'
import { sunOnPlan, type SunOnPlan, type WalkCamera } from '@/core/sight'

const MINUTE_MS = 60_000

/** The sun as it stands now, minute by minute; null while it is not looked at, or nobody said where it is. */
export function useSun(
  shown: boolean,
  site: Site | null,
  cameras: readonly WalkCamera[],
  occluders: Occluders,
): SunOnPlan | null {
  const [now, tick] = useState(() => Date.now())
  useEffect(() => {
    if (!shown) return
    const timer = setInterval(() => tick(Date.now()), MINUTE_MS)
    return () => clearInterval(timer)
  }, [shown])
  return useMemo(
    () => (shown && site ? sunOnPlan(cameras, occluders, site, now) : null),
    [shown, site, cameras, occluders, now],
  )
}
