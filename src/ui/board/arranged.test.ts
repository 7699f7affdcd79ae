import { expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { device, job, plannedThrough, stepRecord } from '@/testing/jobs'
import { arranged, FILTERS, ORDERS, type Filter, type Order } from './arranged'

const planned = plannedThrough(device({ id: 'fine', mark: '10' }))
const stopped = { ...planned, id: 'bad', mark: '9', mount: { ...planned.mount!, fixingId: 'gone' } }
const open = device({ id: 'open', mark: '2' })
const old = device({ id: 'old', mark: '1', state: 'taken away' })
const { devices } = assess(
  job({
    devices: [planned, stopped, open, old],
    records: [stepRecord({ deviceId: 'old', stepId: 'terminate/off' })],
  }),
  CATALOGUE,
)
const ids = (filter: Filter, order: Order = 'added') =>
  arranged(devices, filter, order).map(({ deviceId }) => deviceId)

it('shows those that a filter names', () => {
  expect((Object.keys(FILTERS) as Filter[]).map((filter) => [filter, ids(filter)])).toEqual([
    ['all', ['fine', 'bad', 'open', 'old']],
    ['stopped', ['bad']],
    ['look', devices.filter(({ verdict }) => verdict === 'check').map(({ deviceId }) => deviceId)],
    ['open', ['bad', 'open']],
    ['begun', ['old']],
    ['done', []],
    ['old', ['old']],
  ])
})
it('puts them in the order that is asked for, marks by their number, equals as added', () => {
  expect((Object.keys(ORDERS) as Order[]).map((order) => [order, ids('all', order)])).toEqual([
    ['added', ['fine', 'bad', 'open', 'old']],
    ['mark', ['old', 'open', 'bad', 'fine']],
    ['wrong', ['bad', ...ids('all').filter((id) => id !== 'bad')]],
    ['far', ['old', 'fine', 'bad', 'open']],
  ])
  expect(arranged(devices, 'all', 'added')).toBe(devices)
})
it('says nothing of a device that is being computed', () => {
  const pending = devices.map((one) => ({ ...one, pending: true }))
  expect((['stopped', 'look', 'open'] as const).map((filter) => arranged(pending, filter, 'mark'))).toEqual([
    [],
    [],
    [],
  ])
})
