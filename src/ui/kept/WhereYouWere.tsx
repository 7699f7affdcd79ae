'use client'

import { useSyncExternalStore } from 'react'
import { z } from 'zod'
import { GoOn } from '../kit/GoOn'

const KEY = 'neat-bracket-where'
/** After so long one has long been elsewhere, ms. */
const LONG_AGO_MS = 7 * 86_400_000

/** The screen of a job that was open last on this device. */
const Where = z.object({ path: z.string().startsWith('/jobs/'), title: z.string(), at: z.iso.datetime() })
type Where = z.infer<typeof Where>

export function noteWhere(title: string): void {
  const { pathname, search } = window.location
  const where: Where = { path: pathname + search, title, at: new Date().toISOString() }
  try {
    localStorage.setItem(KEY, JSON.stringify(where))
  } catch {
    // a full device shows the list of jobs alone
  }
}

function read(words: string | null): Where | null {
  try {
    const where = Where.parse(JSON.parse(words ?? ''))
    return Date.now() - Date.parse(where.at) < LONG_AGO_MS ? where : null
  } catch {
    return null
  }
}

const never = () => () => undefined
const kept = () => localStorage.getItem(KEY)
const nothing = () => null

/** On a phone that was put away in the middle of work: one tap back to it. */
export function WhereYouWere() {
  const where = read(useSyncExternalStore(never, kept, nothing))
  if (!where) return null
  return (
    <GoOn>
      <a href={where.path}>Go on with {where.title}</a>
    </GoOn>
  )
}
