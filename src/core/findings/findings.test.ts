import { expect, it } from 'vitest'
import { quantity } from '../units'
import { byGravity, cures, finding, gravest, worstOf, type Finding, type Verdict } from '.'

const said = (key: string, verdict: Verdict): Finding => {
  const common = {
    title: key,
    figure: quantity(1, 'length'),
    limit: null,
    reason: '',
    source: 'job',
  } as const
  return verdict === 'good'
    ? finding('mount', key, { ...common, verdict })
    : finding('mount', key, { ...common, verdict, short: `${key} in short`, advice: 'Mend it.' })
}
const [fine, look, halt, other] = [
  said('fine', 'good'),
  said('look', 'check'),
  said('halt', 'stop'),
  said('other', 'check'),
] as const

it('stops come first, then checks, each in the order given; the gravest of none is good', () => {
  expect(byGravity([fine, look, halt, other]).map(({ title }) => title)).toEqual([
    'halt',
    'look',
    'other',
    'fine',
  ])
  expect([gravest([]), gravest([fine]), gravest([fine, look]), gravest([look, halt, fine])]).toEqual([
    'good',
    'good',
    'check',
    'stop',
  ])
  expect([worstOf([fine]), worstOf([fine, look, other]), worstOf([look, halt])]).toEqual([null, look, halt])
})

it('a finding that is good has no short words and no advice; another keeps both', () => {
  expect(fine).toMatchObject({ id: 'mount/fine', stage: 'mount', short: null, advice: null })
  expect(look).toMatchObject({ short: 'look in short', advice: 'Mend it.' })
})

it('a change cures what it takes away, unless something comes or grows for it', () => {
  expect(cures('mount/look', [look], [])).toBe(true)
  expect(cures('mount/look', [look], [said('look', 'good')])).toBe(true)
  expect(cures('mount/look', [look], [look])).toBe(false)
  expect(cures('mount/look', [look, other], [other])).toBe(true)
  expect(cures('mount/look', [look], [other])).toBe(false)
  expect(cures('mount/look', [look, other], [said('other', 'stop')])).toBe(false)
  expect(cures('mount/look', [look, said('other', 'stop')], [other])).toBe(true)
})
