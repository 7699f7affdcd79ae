'use client'

import { Progress } from '@chakra-ui/react'
import { useSyncExternalStore } from 'react'
import type { HowFar } from './worker'

const nothing = () => null

/** A thin line that grows while the plan is surveyed. */
export function SurveyBar({ howFar }: { howFar: HowFar }) {
  const share = useSyncExternalStore(howFar.subscribe, howFar.now, nothing)
  if (share === null) return null
  return (
    <Progress.Root value={Math.round(share * 100)} size="xs" aria-label="Surveying">
      <Progress.Track h="3px">
        <Progress.Range bg="copper.solid" />
      </Progress.Track>
    </Progress.Root>
  )
}
