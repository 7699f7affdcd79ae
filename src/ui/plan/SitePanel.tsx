'use client'

import { SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Site } from '@/core/job'
import type { Said } from '../job/commands'
import { CompassReader } from '../sensors/CompassReader'
import { LineField, refusalOf } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import type { Editor } from './editor'

/** Where the site lies, for the sun. Nothing is kept until latitude and longitude are both there. */
export function SitePanel({ editor: { job, commit } }: { editor: Editor }) {
  const { site } = job
  const [half, setHalf] = useState<Partial<Site>>({})
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone
  const now: Partial<Site> = site ?? { upBearingDeg: 0, timeZone: here, ...half }
  const keep = async (change: Partial<Site>): Promise<Said> => {
    const next = { ...now, ...change }
    const { latitudeDeg, longitudeDeg } = next
    if (latitudeDeg === undefined || longitudeDeg === undefined) {
      setHalf({ ...half, ...change })
      return { ok: true }
    }
    return commit({
      type: 'setSite',
      site: {
        latitudeDeg,
        longitudeDeg,
        upBearingDeg: next.upBearingDeg ?? 0,
        timeZone: next.timeZone ?? here,
      },
    })
  }
  const angle = (
    label: string,
    field: 'latitudeDeg' | 'longitudeDeg' | 'upBearingDeg',
    least: number,
    most: number,
    hint: string,
  ) => (
    <QuantityField
      label={label}
      kind="angle"
      units={job.units}
      value={now[field] ?? null}
      optional={now[field] === undefined}
      least={least}
      most={most}
      hint={hint}
      draftKey={`${job.id}:site:${field}`}
      onKeep={(value) => value !== null && keep({ [field]: value })}
    />
  )
  return (
    <Stack gap={2}>
      <Text color="soft">
        {site
          ? 'The sun is reckoned for here.'
          : 'Say where the site lies, and the sun in every picture is reckoned.'}
      </Text>
      <SimpleGrid columns={2} gap={3}>
        {angle('Latitude', 'latitudeDeg', -90, 90, 'south is negative')}
        {angle('Longitude', 'longitudeDeg', -180, 180, 'west is negative')}
        {angle('Up the sheet points to', 'upBearingDeg', -360, 360, '0 north, 90 east')}
        <LineField
          label="Time zone"
          value={now.timeZone ?? ''}
          draftKey={`${job.id}:site:zone`}
          onKeep={(timeZone) => refusalOf(keep({ timeZone }))}
        />
      </SimpleGrid>
      <CompassReader onRead={(upBearingDeg) => keep({ upBearingDeg })} />
    </Stack>
  )
}
