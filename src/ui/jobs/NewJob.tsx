'use client'

import { useRouter } from 'next/navigation'
import { v4 as uuid } from 'uuid'
import {
  UNKNOWN_HEIGHTS,
  USUAL_ALLOWANCES,
  USUAL_MAINS_V,
  USUAL_POLICIES,
  USUAL_WIND_MS,
  type JobFacts,
  type Reason,
} from '@/core/job'
import { envelope } from '../job/commands'
import { Find } from '../find/Find'
import { Frame } from '../kit/Frame'
import { Sentence } from '../kit/Page'
import { JobFactsForm } from '../settings/JobFactsForm'

const START: JobFacts = {
  name: '',
  address: '',
  units: 'metric',
  headEnd: '',
  windMS: USUAL_WIND_MS,
  terrain: 'open',
  mainsV: USUAL_MAINS_V.metric,
  keepPhotoPlace: false,
  floorHeightsM: UNKNOWN_HEIGHTS,
  policies: USUAL_POLICIES,
  allowances: USUAL_ALLOWANCES,
}

/** Starts a job. It is sent at once, because the pages of a job come from the server. */
export function NewJob() {
  const router = useRouter()
  const create = async (facts: JobFacts): Promise<readonly Reason[]> => {
    const jobId = uuid()
    try {
      const commands = [
        envelope(jobId, { type: 'createJob', facts }),
        envelope(jobId, {
          type: 'putEquipment',
          equipmentId: 'switch-1',
          change: { name: 'Head-end switch', partId: 'switch-8' },
        }),
      ]
      const response = await fetch('/api/commands', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ commands }),
      })
      if (response.ok) {
        router.push(`/jobs/${jobId}`)
        return []
      }
      const body = (await response.json()) as {
        detail?: string
        errors?: { pointer: string; detail: string }[]
      }
      return (
        body.errors?.map(({ pointer, detail }) => ({ path: pointer, message: detail })) ?? [
          { path: '', message: body.detail ?? 'The job was not taken over.' },
        ]
      )
    } catch {
      return [
        { path: '', message: 'No signal: the job was not sent. What you typed is kept here; try again.' },
      ]
    }
  }
  return (
    <Frame>
      <Find places={[{ value: '/', label: 'All jobs', kind: 'screen' }]} onGo={(href) => router.push(href)} />
      <Sentence next="Name, place and units; everything else has a usual value that can be changed later.">
        A new job.
      </Sentence>
      <JobFactsForm start={START} draftKey="new-job" action="Create the job" onSay={create} />
    </Frame>
  )
}
