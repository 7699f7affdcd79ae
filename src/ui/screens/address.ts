import { everyOne, type Job } from '@/core/job'
import { TABS } from '../device/tabs'

/** The screens of a job by their address: one table for server, page and titles. `:name` takes any word. */
export const ADDRESSES = {
  'board': '',
  'add': 'add',
  'plan': 'plan',
  'device': 'devices/:device/:tab',
  'equipment': 'equipment',
  'add equipment': 'equipment/new',
  'equipment log': 'equipment/:device/log',
  'one piece': 'equipment/:device',
  'add run': 'runs/new',
  'run log': 'runs/:device/log',
  'one run': 'runs/:device',
  'parts': 'parts',
  'new part': 'parts/new',
  'own part': 'parts/:part',
  'round': 'round',
  'pull sheet': 'pull-sheet',
  'labels': 'labels',
  'punch list': 'punch-list',
  'new fault': 'punch-list/new',
  'fault': 'punch-list/:fault',
  'hand-over': 'handover',
  'record': 'record/:device',
  'job': 'settings',
} as const
export type ScreenName = keyof typeof ADDRESSES

export interface Screen {
  readonly name: ScreenName
  readonly words: Readonly<Partial<Record<'device' | 'tab' | 'fault' | 'part', string>>>
}

/** The screen that a way (the words behind `/jobs/:id`) leads to; null when there is none. */
export function screenAt(way: readonly string[]): Screen | null {
  for (const [name, pattern] of Object.entries(ADDRESSES)) {
    const parts = pattern.split('/').filter(Boolean)
    if (parts.length !== way.length || !parts.every((part, i) => part.startsWith(':') || part === way[i]))
      continue
    const words = Object.fromEntries(
      parts.flatMap((part, i) => (part.startsWith(':') ? [[part.slice(1), way[i]!]] : [])),
    ) as Screen['words']
    if (words.tab !== undefined && !TABS.some((tab) => tab === words.tab)) return null
    return { name: name as ScreenName, words }
  }
  return null
}

/** What a browser's tab calls a screen: what it is about first, so that many tabs can be told apart. */
export function titleOf(
  { name, words }: Screen,
  job: Pick<Job, 'name' | 'devices' | 'equipment' | 'runs' | 'faults' | 'ownParts'>,
): string {
  const device = everyOne(job).find(({ id }) => id === words.device)
  const of = device ? `${device.mark} ${device.name}` : ''
  const fault = job.faults.find(({ id }) => id === words.fault)
  const part = job.ownParts.find(({ id }) => id === words.part)
  const titles: Readonly<Record<ScreenName, string>> = {
    'board': 'Board',
    'add': 'Add a device',
    'plan': 'Plan',
    'device': `${of || 'No such device'} · ${words.tab ?? ''}`,
    'equipment': 'Equipment and runs',
    'add equipment': 'Add equipment',
    'equipment log': `${of || 'No such equipment'} · log`,
    'one piece': of || 'No such equipment',
    'add run': 'Add a run',
    'run log': `${of || 'No such run'} · log`,
    'one run': of || 'No such run',
    'parts': 'Own parts',
    'new part': 'Enter a part',
    'own part': part?.part.name ?? 'No such part',
    'round': 'Round',
    'pull sheet': 'Pull sheet',
    'labels': 'Labels',
    'punch list': 'Punch list',
    'new fault': 'Raise a fault',
    'fault': fault?.title ?? 'No such fault',
    'hand-over': 'Hand-over',
    'record': `${of || 'No such device'} · record`,
    'job': 'Job settings',
  }
  return `${titles[name]} · ${job.name}`
}
