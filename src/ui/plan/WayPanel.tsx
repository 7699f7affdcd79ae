'use client'

import { Text } from '@chakra-ui/react'
import { useCallback, useMemo } from 'react'
import { CATALOGUE } from '@/catalogue'
import { foundAlong, type DeviceAssessment } from '@/core/assess'
import type { Device, Way } from '@/core/job'
import { cablesToLead, endsOnSite, goesApart } from '@/core/pathway'
import { useCatalogue } from '../job/JobProvider'
import { WayChoices } from '../runs/WayChoices'
import type { Editor } from './editor'

/** Of a route that nobody has entered. */
const NO_WAY: Pick<Way, 'segments' | 'forced'> = { segments: [], forced: null }

/** Which way the cable of a device goes over the pathways, or why it goes none. */
export function WayPanel({
  device,
  assessed,
  editor: { job, commit },
}: {
  device: Device
  assessed: DeviceAssessment
  editor: Editor
}) {
  const catalogue = useCatalogue()
  const cable = catalogue.cables.get(device.cableId)
  const route = assessed.stages?.route
  const lead = useMemo(() => {
    const of = { devices: [device], equipment: job.equipment, runs: [], things: job.things }
    return cablesToLead(of, catalogue).at(0) ?? null
  }, [device, job.equipment, job.things, catalogue])
  const input = route?.input
  const found = useCallback(
    (goes: Pick<Way, 'segments' | 'forced'>) =>
      input ? foundAlong(device, { ...input, ...goes }, job, CATALOGUE) : [],
    [device, input, job],
  )
  if (cable && goesApart(cable))
    return <Text>Mains and earth go a way of their own, apart from data. Local rules decide.</Text>
  const end = endsOnSite(device, job, catalogue)
  if (end)
    return (
      <Text>
        Its cable ends out on site, at {end.mark} {end.name}: put that on the plan too.
      </Text>
    )
  if (!device.sight?.place || !route) return <Text>Put it on the plan first.</Text>
  if (route.input.laid === 'kept') return <Text>Its cable is there already, and stays.</Text>
  if (!lead) return <Text>No cable is to be led to it.</Text>
  return (
    <WayChoices
      key={device.id}
      lead={lead}
      now={device.route ?? NO_WAY}
      found={found}
      onTake={(goes) =>
        void commit({ type: 'setPlan', deviceId: device.id, plan: { route: { ...route.input, ...goes } } })
      }
    />
  )
}
