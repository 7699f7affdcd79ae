'use client'

import { Box, Button, Flex, HStack, Text } from '@chakra-ui/react'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useState, type MouseEvent, type ReactNode } from 'react'
import { PLANNED_STAGES } from '@/core/findings'
import { Find, isTyping, type Place } from '../find/Find'
import { readLabel } from '../find/label'
import { Newer } from '../kept/Newer'
import { opensWithoutSignal } from '../kept/serviceWorker'
import { go, GoLink, intoView, useWay, wayOf } from '../kit/go'
import { ThemeSwitch } from '../kit/ThemeSwitch'
import { Sign } from '../kit/Verdict'
import { serverAnswers } from '../outbox/post'
import { screenAt, type ScreenName } from '../screens/address'
import { Conflicts } from './Conflicts'
import { useJob, useOutbox } from './JobProvider'
import { PhotosWaiting } from './PhotosWaiting'
import { Refused, Sent } from './Sent'
import { Who } from './Who'

const KEYS = [
  ['j / k', 'next or previous device'],
  ['1 – 6', 'sight to power'],
  ['l', 'install log'],
  ['b', 'board'],
  ['g', 'plan'],
  ['f', 'raise a fault'],
  ['r', 'round'],
  ['h', 'hand-over'],
] as const

/**
 * The frame around every view of a job: its name, where one can go, who works here, and how sending stands.
 */
export function JobShell({ children }: { children: ReactNode }) {
  const { job } = useJob()
  const home = `/jobs/${job.id}`
  const here = screenAt(useWay(job.id))?.name
  const open = job.faults.filter(({ state }) => state !== 'closed').length
  const places: { way: string; label: string; of: readonly ScreenName[] }[] = [
    { way: '', label: 'Board', of: ['board', 'device', 'add'] },
    { way: '/plan', label: 'Plan', of: ['plan'] },
    {
      way: '/equipment',
      label: 'Equipment',
      of: ['equipment', 'add equipment', 'one piece', 'equipment log', 'add run', 'one run', 'run log'],
    },
    { way: '/round', label: 'Round', of: ['round'] },
    { way: '/pull-sheet', label: 'Pull sheet', of: ['pull sheet', 'labels'] },
    {
      way: '/punch-list',
      label: open > 0 ? `Punch list ${open}` : 'Punch list',
      of: ['punch list', 'fault', 'new fault'],
    },
    { way: '/handover', label: 'Hand-over', of: ['hand-over', 'record'] },
    { way: '/settings', label: 'Job', of: ['job'] },
  ]
  useKeys()
  const label = (words: string): string | null => {
    const marked = [
      ...job.devices.map(({ id, mark }) => ({ mark, href: `${home}/devices/${id}/log` })),
      ...job.equipment.map(({ id, mark }) => ({ mark, href: `${home}/equipment/${id}` })),
      ...job.runs.map(({ id, mark }) => ({ mark, href: `${home}/runs/${id}` })),
    ]
    const read = readLabel(words, { jobId: job.id, marked })
    if ('says' in read) return read.says
    if ('job' in read) window.location.assign(read.href)
    else go(read.href)
    return null
  }
  const find: Place[] = [
    ...job.devices.map(({ id, mark, name }) => ({
      value: `${home}/devices/${id}/sight`,
      label: `${mark} ${name}`,
      kind: 'device',
    })),
    ...job.devices.map(({ id, mark, name }) => ({
      value: `${home}/devices/${id}/log`,
      label: `${mark} ${name}`,
      kind: 'install log',
    })),
    ...job.equipment.map(({ id, mark, name }) => ({
      value: `${home}/equipment/${id}`,
      label: `${mark} ${name}`,
      kind: 'equipment',
    })),
    ...job.runs.map(({ id, mark, name }) => ({
      value: `${home}/runs/${id}`,
      label: `${mark} ${name}`,
      kind: 'run',
    })),
    ...places.map(({ way, label }) => ({ value: `${home}${way}`, label, kind: 'screen' })),
    ...job.faults.map(({ id, title }) => ({
      value: `${home}/punch-list/${id}`,
      label: title,
      kind: 'fault',
    })),
  ]
  return (
    <Flex direction="column" minH="100dvh">
      <Flex
        as="header"
        className="no-print"
        borderBottomWidth="2px"
        borderColor="ink"
        px={{ base: 2, md: 5 }}
        py={1}
        columnGap={{ base: 2, md: 4 }}
        rowGap={2}
        align="center"
        wrap="wrap"
      >
        <HomeLink />
        <Text color="soft" flex="1" minW={{ base: '24px', md: '60px' }} truncate>
          {job.name}
        </Text>
        <Sent />
        <HStack gap={{ base: 2, lg: 0 }} order={{ base: 3, lg: 0 }} w={{ base: '100%', lg: 'auto' }}>
          <Find button places={find} keys={KEYS} onGo={go} onLabel={label} />
          <HStack
            as="nav"
            aria-label="Job"
            gap={{ base: 2, lg: 0.5 }}
            flex={{ base: '1', lg: 'none' }}
            minW={0}
            justify={{ base: 'flex-start', lg: 'flex-end' }}
            overflowX={{ base: 'auto', lg: 'visible' }}
          >
            {places.map(({ way, label, of }) => {
              const current = here !== undefined && of.includes(here)
              return (
                <Button
                  key={way}
                  asChild
                  size="sm"
                  minH="44px"
                  flexShrink={0}
                  px={{ base: 2, md: 3 }}
                  variant={current ? 'solid' : 'ghost'}
                  colorPalette="inky"
                  aria-current={current ? 'page' : undefined}
                >
                  <GoLink href={`${home}${way}`} ref={current ? intoView : undefined}>
                    {label}
                  </GoLink>
                </Button>
              )
            })}
          </HStack>
        </HStack>
        <Who />
        <ThemeSwitch />
      </Flex>
      <Newer />
      <Refused />
      <PhotosWaiting />
      <Conflicts />
      <Box as="main" id="main" flex="1" position="relative">
        {children}
      </Box>
    </Flex>
  )
}

/**
 * The way out of a job: the list of jobs comes from the server, so it is asked first; without it there is the
 * list of what is kept here, else the page stays.
 */
function HomeLink() {
  const router = useRouter()
  const outbox = useOutbox()
  const [away, setAway] = useState(false)
  const leave = (event: MouseEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return
    event.preventDefault()
    setAway(false)
    void serverAnswers().then((there) => (there || opensWithoutSignal() ? router.push('/') : setAway(true)))
  }
  const kept = outbox.waiting.length
  return (
    <>
      <NextLink
        href="/"
        prefetch={false}
        aria-label="Neat Bracket: all jobs"
        onClick={leave}
        style={{ minHeight: 48, minWidth: 48, display: 'flex', alignItems: 'center' }}
      >
        <Sign short />
      </NextLink>
      {away ? (
        <Text role="status" order={4} w="100%" color="check" py={1}>
          ▲ No signal: the list of jobs is not on this device.{' '}
          {kept === 0
            ? 'Nothing waits to be sent.'
            : `${kept} ${kept === 1 ? 'entry is' : 'entries are'} kept here and will be sent.`}{' '}
          This job goes on.
        </Text>
      ) : null}
    </>
  )
}

/** Keys of the laptop; never while typing in a field. */
function useKeys(): void {
  const { job } = useJob()
  useEffect(() => {
    const home = `/jobs/${job.id}`
    const press = (event: KeyboardEvent) => {
      if (isTyping(event)) return
      // the address as it is now: a fast hand is ahead of the screen
      const { device: deviceId, tab } = screenAt(wayOf(job.id, window.location.pathname))?.words ?? {}
      const index = job.devices.findIndex(({ id }) => id === deviceId)
      const device = (to: number) => job.devices[Math.min(Math.max(to, 0), job.devices.length - 1)]
      const of = deviceId ? `?device=${deviceId}` : ''
      const ways: Readonly<Record<string, string | undefined>> = {
        b: home,
        g: `${home}/plan${of}`,
        r: `${home}/round`,
        h: `${home}/handover`,
        f: `${home}/punch-list/new${of}`,
        j: device(index + 1) && `${home}/devices/${device(index + 1)!.id}/${tab ?? 'sight'}`,
        k: device(index - 1) && `${home}/devices/${device(index - 1)!.id}/${tab ?? 'sight'}`,
        l: deviceId && `${home}/devices/${deviceId}/log`,
      }
      const stage = PLANNED_STAGES[Number(event.key) - 1]
      const way = stage && deviceId ? `${home}/devices/${deviceId}/${stage}` : ways[event.key]
      if (way) go(way)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [job])
}
