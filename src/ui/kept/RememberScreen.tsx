'use client'

import { useEffect, useRef } from 'react'
import type { Job } from '@/core/job'
import { useAssessed, useJob } from '../job/JobProvider'
import { endLastSeen, forgetSeen, rememberSeen, seenNow } from './lastSeen'
import { opensWithoutSignal } from './serviceWorker'
import { noteWhere } from './WhereYouWere'

/** A screen that was left alone for so long is worth remembering, ms. */
const QUIET_MS = 800

interface RememberScreenProps {
  readonly title: string
  /** What of it the address asks for. */
  readonly query: string
  /** The device that it shows; undefined where it shows none, or many. */
  readonly device: string | undefined
  /** Whether it shows before all is computed. */
  readonly early: boolean
  /** Whether the job was opened out of what is on this device. */
  readonly kept: boolean
}

/**
 * Remembers the screen that is open, once it rests; forgets those of a job that something was said of. What
 * the server brought with the page may differ from what was seen here; what was kept here does not.
 */
export function RememberScreen({ title, query, device, early, kept }: RememberScreenProps) {
  const { job } = useJob()
  const { devices, counts } = useAssessed()
  const own = devices.find(({ deviceId }) => deviceId === device)
  const whole = own ? !own.pending : counts.pending === 0
  const stands = whole || (early && !own)
  const known = useRef<Job>(null)
  useEffect(() => {
    // After the effects round this one: the screen answers then.
    if (stands) queueMicrotask(endLastSeen)
  }, [stands])
  useEffect(() => noteWhere(title), [title, query])
  useEffect(() => {
    if (!opensWithoutSignal()) return
    const same = known.current === job || (known.current === null && kept)
    known.current = job
    if (!same) void forgetSeen(job.id)
    if (!whole) return
    let resting = true
    const remember = () => {
      const seen = resting ? seenNow(document) : null
      if (seen) void rememberSeen(window.location.pathname + window.location.search, seen)
    }
    const quiet = setTimeout(() => (window.requestIdleCallback ?? setTimeout)(remember), QUIET_MS)
    return () => {
      resting = false
      clearTimeout(quiet)
    }
  }, [job, title, query, whole, kept])
  return null
}
