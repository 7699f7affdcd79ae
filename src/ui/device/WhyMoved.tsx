'use client'

import type { Sight } from '@/core/job'
import type { Said } from '../job/commands'
import { LineField, refusalOf } from '../kit/LineField'

/** Why a camera does not stand where the customer asked for it, and by whose agreement. */
export function WhyMoved({
  wish,
  draft,
  keep,
}: {
  wish: Sight['wish']
  draft: (field: string) => string
  keep: (change: Partial<Sight>) => Promise<Said>
}) {
  return (
    <>
      <LineField
        label="Why it was moved"
        value={wish.reason}
        draftKey={draft('moved')}
        onKeep={(reason) => refusalOf(keep({ wish: { ...wish, reason } }))}
      />
      <LineField
        label="Who agreed"
        value={wish.agreedBy}
        draftKey={draft('agreed')}
        onKeep={(agreedBy) => refusalOf(keep({ wish: { ...wish, agreedBy } }))}
      />
    </>
  )
}
