'use client'

import { Box, Button, Dialog, Flex, HStack, Input, Portal, Text } from '@chakra-ui/react'
import NextLink from 'next/link'
import { usePathname, useRouter } from 'next/navigation'
import { useEffect, useState, type ReactNode } from 'react'
import { PLANNED_STAGES } from '@/core/findings'
import { Sign } from '../kit/Verdict'
import { ThemeSwitch } from '../kit/ThemeSwitch'
import { setAuthor, useAuthor } from './author'
import { useJob } from './JobProvider'
import { Refused, Sent } from './Sent'

/** The frame around every view of a job: its name, where one can go, who works here, and how sending stands. */
export function JobShell({ children }: { children: ReactNode }) {
  const { job } = useJob()
  const here = usePathname()
  const home = `/jobs/${job.id}`
  const open = job.faults.filter(({ state }) => state !== 'closed').length
  const places = [
    { href: home, label: 'Board', current: here === home || here.startsWith(`${home}/devices`) || here === `${home}/add` },
    { href: `${home}/plan`, label: 'Plan', current: here === `${home}/plan` },
    { href: `${home}/pull-sheet`, label: 'Pull sheet', current: here === `${home}/pull-sheet` },
    { href: `${home}/punch-list`, label: open > 0 ? `Punch list ${open}` : 'Punch list', current: here.startsWith(`${home}/punch-list`) },
    { href: `${home}/handover`, label: 'Hand-over', current: here.startsWith(`${home}/handover`) || here.startsWith(`${home}/record`) },
    { href: `${home}/settings`, label: 'Job', current: here === `${home}/settings` },
  ]
  const [keysShown, showKeys] = useKeys()
  return (
    <>
      <Flex as="header" className="no-print" borderBottomWidth="2px" borderColor="ink" px={{ base: 3, md: 5 }} py={1.5} gap={{ base: 2, md: 6 }} align="center" wrap="wrap">
        <NextLink href="/" aria-label="Neat Bracket: all jobs"><Sign /></NextLink>
        <Text color="soft" flex="1" minW="0" truncate>{job.name}</Text>
        <Sent />
        <HStack as="nav" aria-label="Job" gap={0.5} order={{ base: 3, md: 0 }} w={{ base: '100%', md: 'auto' }} justify={{ base: 'space-between', md: 'flex-end' }}>
          {places.map(({ href, label, current }) => (
            <Button key={href} asChild size="sm" minH="44px" px={{ base: 1.5, md: 3 }} variant={current ? 'solid' : 'ghost'} colorPalette="inky" aria-current={current ? 'page' : undefined}>
              <NextLink href={href}>{label}</NextLink>
            </Button>
          ))}
        </HStack>
        <Who />
        <ThemeSwitch />
      </Flex>
      <Refused />
      <Box as="main" id="main">{children}</Box>
      <Dialog.Root open={keysShown} onOpenChange={({ open }) => showKeys(open)}>
        <Portal>
          <Dialog.Backdrop />
          <Dialog.Positioner>
            <Dialog.Content bg="sheet">
              <Dialog.Header><Dialog.Title>Keys</Dialog.Title></Dialog.Header>
              <Dialog.Body pb={6}>
                {[['j / k', 'next or previous device'], ['1 – 6', 'sight to power'], ['l', 'install log'], ['b', 'board'], ['g', 'plan'], ['f', 'raise a fault'], ['h', 'hand-over'], ['?', 'this list']].map(([key, does]) => (
                  <HStack key={key} py={1} borderBottomWidth="1px" borderColor="rule"><Text fontFamily="mono" w="70px">{key}</Text><Text>{does}</Text></HStack>
                ))}
              </Dialog.Body>
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
    </>
  )
}

function Who() {
  const name = useAuthor()
  return (
    <Input size="sm" w="112px" aria-label="Working as" title="Working as: written into everything you record" key={name} defaultValue={name} borderColor="rule" display={{ base: 'none', md: 'block' }} onBlur={(event) => setAuthor(event.target.value)} />
  )
}

/** Keys of the laptop; never while typing in a field. */
function useKeys(): [boolean, (shown: boolean) => void] {
  const router = useRouter()
  const here = usePathname()
  const { job } = useJob()
  const [shown, show] = useState(false)
  useEffect(() => {
    const home = `/jobs/${job.id}`
    const [, deviceId, tab] = /\/devices\/([^/]+)(?:\/([^/]+))?/.exec(here) ?? []
    const index = job.devices.findIndex(({ id }) => id === deviceId)
    const device = (to: number) => job.devices[Math.min(Math.max(to, 0), job.devices.length - 1)]
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable], [role=slider]')) return
      const go = (path: string) => router.push(path)
      const stage = PLANNED_STAGES[Number(event.key) - 1]
      if (event.key === '?') show(true)
      else if (event.key === 'b') go(home)
      else if (event.key === 'g') go(`${home}/plan${deviceId ? `?device=${deviceId}` : ''}`)
      else if (event.key === 'h') go(`${home}/handover`)
      else if (event.key === 'f') go(`${home}/punch-list/new${deviceId ? `?device=${deviceId}` : ''}`)
      else if ((event.key === 'j' || event.key === 'k') && job.devices.length > 0) go(`${home}/devices/${device(index + (event.key === 'j' ? 1 : -1))!.id}/${tab ?? 'sight'}`)
      else if (stage && deviceId) go(`${home}/devices/${deviceId}/${stage}`)
      else if (event.key === 'l' && deviceId) go(`${home}/devices/${deviceId}/log`)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [here, job, router])
  return [shown, show]
}
