'use client'

import { FED_FREELY, type CoilPlace, type EndKey, type ReadyLead, type Way } from '@/core/job'
import type { LeadShown } from '@/core/route'
import { Choose, NOT_CHOSEN, type Option } from '../kit/Choose'
import { PlanQuantity, type Editing } from '../kit/PlanQuantity'

interface LeadFieldsProps {
  readonly lead: ReadyLead
  /** What its way and its ends allow; null while they are not known. */
  readonly shown: LeadShown | null
  readonly plan: Editing<Way>
}

/** What is planned of a ready-made lead: how long, from where it is fed, and where its surplus is coiled. */
export function LeadFields({ lead, shown, plan }: LeadFieldsProps) {
  const changed = (change: Partial<ReadyLead>) => (now: Way) => ({
    lead: { ...FED_FREELY, ...(now.lead ?? lead), ...change },
  })
  const feeds: readonly Option[] = [
    { value: '', label: 'Where its wider end stays' },
    ...(shown?.feeds ?? []).map(({ from, words }) => ({ value: from, label: words })),
  ]
  const places: readonly Option[] = [
    NOT_CHOSEN,
    ...(shown?.places ?? []).map(({ place, words }) => ({ value: place, label: words })),
  ]
  return (
    <>
      <PlanQuantity
        plan={plan}
        label="Length of the lead"
        kind="length"
        value={lead.lengthM}
        least={0.5}
        most={1000}
        field="lead"
        as={(lengthM) => changed({ lengthM })}
      />
      <Choose
        label="The lead is fed from"
        value={lead.fedFrom ?? ''}
        options={feeds}
        onChoose={(from) => void plan.keep(changed({ fedFrom: (from || null) as EndKey | null }))}
      />
      <Choose
        label="Its surplus is coiled"
        value={lead.coilAt ?? ''}
        options={places}
        onChoose={(place) => void plan.keep(changed({ coilAt: (place || null) as CoilPlace | null }))}
      />
    </>
  )
}
