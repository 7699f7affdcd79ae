// @vitest-environment jsdom
import { ChakraProvider } from '@chakra-ui/react'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useState, type ReactNode } from 'react'
import { useForm } from 'react-hook-form'
import { finding } from '@/core/findings'
import { task, type Step, type StepState } from '@/core/procedure'
import { quantity } from '@/core/units'
import { StepEntry, StepNote, useEntry } from '../log/StepEntry'
import { system } from '../theme'
import { DrawingView } from './DrawingView'
import { FigureList, FindingList } from './Findings'
import { LineField } from './LineField'
import { QuantityField } from './QuantityField'
import { useFormDraft } from './draft'

beforeEach(() => {
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
  window.matchMedia = () =>
    ({
      matches: false,
      addListener: () => undefined,
      removeListener: () => undefined,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as unknown as MediaQueryList
  window.localStorage.clear()
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const show = (node: ReactNode) => render(<ChakraProvider value={system}>{node}</ChakraProvider>)
const type = (label: string, words: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: words } })
const leave = (label: string) => fireEvent.blur(screen.getByLabelText(label))

describe('a quantity field', () => {
  const field = (change: Partial<Parameters<typeof QuantityField>[0]> = {}) => {
    const said = { tried: vi.fn(), kept: vi.fn(), gaveUp: vi.fn() }
    show(
      <QuantityField
        label="Height"
        kind="length"
        units="metric"
        value={3}
        least={0.3}
        most={60}
        draftKey="h"
        onTry={said.tried}
        onKeep={said.kept}
        onGiveUp={said.gaveUp}
        {...change}
      />,
    )
    return said
  }
  it('tries while typing, echoes how it was understood, keeps when left', () => {
    const { tried, kept } = field()
    type('Height', `12'6"`)
    expect(tried).toHaveBeenLastCalledWith(expect.closeTo(3.81, 9))
    expect(screen.getByText('= 3.81 m')).toBeTruthy()
    leave('Height')
    expect(kept).toHaveBeenCalledWith(expect.closeTo(3.81, 9))
  })
  it('keeps words it does not understand in the field, with the message, and never passes them on', () => {
    const { tried, kept, gaveUp } = field()
    type('Height', 'tall')
    leave('Height')
    expect(screen.getByRole('alert').textContent).toMatch(/"tall" is not understood/)
    expect(screen.getByLabelText<HTMLInputElement>('Height').value).toBe('tall')
    expect([tried.mock.calls.length, kept.mock.calls.length, gaveUp.mock.calls.length]).toEqual([0, 0, 1])
    expect(window.localStorage.getItem('neat-bracket-draft:h')).toBe('tall')
  })
  it('says the limit in the units shown', () => {
    field({ units: 'imperial' })
    type('Height', '300')
    expect(screen.getByRole('alert').textContent).toBe(`At most 196' 10".`)
  })
  it('gives up on Escape and on the same value', () => {
    const { kept, gaveUp } = field()
    type('Height', '4')
    fireEvent.keyDown(screen.getByLabelText('Height'), { key: 'Escape' })
    expect(screen.getByLabelText<HTMLInputElement>('Height').value).toBe('3.00 m')
    type('Height', '3 m')
    leave('Height')
    expect([kept.mock.calls.length, gaveUp.mock.calls.length]).toEqual([0, 2])
  })
  it('keeps the value also when what is tried already shows through it', () => {
    const keep = vi.fn()
    function Sheet() {
      const [value, setValue] = useState(3)
      return (
        <QuantityField
          label="Height"
          kind="length"
          units="metric"
          value={value}
          draftKey="h"
          onTry={setValue}
          onKeep={keep}
        />
      )
    }
    show(<Sheet />)
    type('Height', '4')
    leave('Height')
    expect(keep).toHaveBeenCalledWith(4)
  })
  it('takes an emptied optional field as none', () => {
    const { kept } = field({ optional: true })
    type('Height', '')
    leave('Height')
    expect(kept).toHaveBeenCalledWith(null)
  })
})

describe('a line field', () => {
  it('keeps refused words with the reason, and forgets the draft once they are taken over', async () => {
    const keep = vi
      .fn<(words: string) => Promise<string | null>>()
      .mockResolvedValueOnce('Write it like 192.168.10.21.')
      .mockResolvedValue(null)
    show(<LineField label="Address" value="" draftKey="a" onKeep={keep} />)
    type('Address', '10.0.0.999')
    leave('Address')
    expect((await screen.findByRole('alert')).textContent).toBe('Write it like 192.168.10.21.')
    type('Address', ' 10.0.0.9 ')
    leave('Address')
    expect(keep).toHaveBeenLastCalledWith('10.0.0.9')
    await waitFor(() => expect(window.localStorage.getItem('neat-bracket-draft:a')).toBeNull())
  })
})

describe('findings', () => {
  const stop = finding('mount', 'count', {
    verdict: 'stop',
    title: 'Too few fixings',
    short: 'few words',
    figure: quantity(2, 'count'),
    limit: quantity(4, 'count'),
    reason: 'The box asks for at least 4.',
    source: 'catalogue',
    advice: 'Use 4.',
  })
  const good = finding('mount', 'load', {
    verdict: 'good',
    title: 'It holds',
    figure: quantity(55, 'force'),
    limit: quantity(273, 'force'),
    reason: 'Basis: screws.',
    source: 'nds',
  })
  it('show verdict in words, figure, limit, reason, advice and source, the gravest first', () => {
    const raise = vi.fn()
    show(<FindingList findings={[good, stop]} units="metric" onRaise={raise} />)
    const [first, second] = screen.getAllByRole('listitem')
    expect(first!.textContent).toContain(
      '■ Stop Too few fixings2 against 4. The box asks for at least 4.Use 4.The catalogue entry of the part',
    )
    expect(second!.textContent).toContain(
      '✓ Good It holds55 N against 273 N. Basis: screws.National Design Specification',
    )
    fireEvent.click(screen.getByRole('button', { name: 'Raise a fault' }))
    expect(raise).toHaveBeenCalledWith(stop)
  })
  it('figures follow the units', () => {
    show(<FigureList figures={[{ label: 'Pull', reading: quantity(44.48, 'force') }]} units="imperial" />)
    expect(screen.getByText('10.0 lbf')).toBeTruthy()
  })
})

describe('recording a step', () => {
  const step = (entry: Step['entry']): Step => ({
    ...task('fix', { id: 'mount/x', title: 'Read the level', reason: '', entry }),
    because: [],
  })
  const state = (entry: Step['entry']): StepState => ({
    step: step(entry),
    record: null,
    photos: 0,
    verdict: null,
    says: '',
  })
  const level = { kind: 'measure', quantity: 'angle', label: 'Off level', least: 0, most: 1 } as const
  const form = (entry: Step['entry'], units: 'metric' | 'imperial' = 'metric') => {
    const record = vi.fn<(outcome: object) => Promise<string | null>>().mockResolvedValue(null)
    function Page() {
      const using = useEntry({ state: state(entry), units, draftKey: 's', onRecord: record })
      return (
        <>
          <StepEntry state={state(entry)} units={units} using={using} />
          <StepNote state={state(entry)} using={using} />
          <button onClick={() => void using.keep()}>Record, next step</button>
        </>
      )
    }
    show(<Page />)
    return record
  }
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }))
  it('judges a value while the number pad types it', () => {
    const record = form(level)
    for (const key of ['2', '.', '5']) press(key)
    expect(screen.getByText(/2.5°; takes 0.0° to 1.0°/)).toBeTruthy()
    press('Delete the last sign')
    press('Delete the last sign')
    press('Delete the last sign')
    press('Record, next step')
    expect(screen.getByRole('alert').textContent).toBe('Write the measured value.')
    press('1')
    press('Record, next step')
    expect(record).toHaveBeenCalledWith({ state: 'done', value: 1, choice: null, note: '' }, false)
  })
  it('asks for a choice, and takes it', () => {
    const record = form({ kind: 'choice', options: ['firm', 'moves'], good: ['firm'] })
    press('Record, next step')
    expect(screen.getByRole('alert').textContent).toBe('Choose one.')
    fireEvent.click(screen.getByRole('radio', { name: 'moves' }))
    expect(screen.getByText(/should be firm/)).toBeTruthy()
    press('Record, next step')
    expect(record).toHaveBeenCalledWith({ state: 'done', value: null, choice: 'moves', note: '' }, false)
  })
  it('has keys for feet and inches where lengths are measured in them', () => {
    form({ ...level, quantity: 'length' }, 'imperial')
    for (const key of ['9', "'", '6', '"']) press(key)
    expect(screen.getByLabelText<HTMLInputElement>('Off level').value).toBe(`9'6"`)
  })
  it('brings a half-written entry back', () => {
    window.localStorage.setItem(
      'neat-bracket-draft:s',
      JSON.stringify({ words: '0.4', choice: null, note: 'windy', leaving: false }),
    )
    form(level)
    expect(screen.getByLabelText<HTMLTextAreaElement>('Note').value).toBe('windy')
    expect(screen.getByText(/✓/)).toBeTruthy()
  })
})

describe('a drawing on screen', () => {
  it('says what it shows, draws every mark, and lets children be drawn over it', () => {
    const drawing = {
      width: 300,
      height: 100,
      says: 'A line and a word.',
      marks: [
        { kind: 'line', from: [0, 0], to: [10, 10], pen: 'ray' },
        {
          kind: 'shape',
          spots: [
            [0, 0],
            [5, 0],
            [5, 5],
          ],
          pen: 'object',
          fill: 'hatch',
        },
        { kind: 'words', at: [3, 4], words: '251 px/m', size: 'figure', tone: 'ink', anchor: 'start' },
      ],
    } as const
    const { container } = show(
      <DrawingView drawing={drawing}>
        <rect data-testid="handle" />
      </DrawingView>,
    )
    expect(screen.getByRole('group', { name: 'A line and a word.' }).getAttribute('viewBox')).toBe(
      '0 0 300 100',
    )
    expect(screen.getByText('251 px/m')).toBeTruthy()
    expect(container.querySelector('polygon')!.getAttribute('fill')).toMatch(/^url\(#hatch/)
    expect(screen.getByTestId('handle')).toBeTruthy()
  })
})

it('a form’s draft of before an update keeps what was typed and gains what the form asks for since', async () => {
  const start = { name: 'Yard', habits: { film: 'last', tape: 'plain' }, parts: ['box', 'rod'] }
  window.localStorage.setItem(
    'neat-bracket-draft:f',
    JSON.stringify({ name: 'Typed', habits: { film: 'on the bench' }, parts: [] }),
  )
  const said = vi.fn<(values: object) => void>()
  function Form() {
    const form = useForm({ defaultValues: start })
    useFormDraft('f', form)
    return <button onClick={() => void form.handleSubmit((values) => said(values))()}>Keep</button>
  }
  show(<Form />)
  fireEvent.click(screen.getByText('Keep'))
  await waitFor(() =>
    expect(said).toHaveBeenCalledWith({
      name: 'Typed',
      habits: { film: 'on the bench', tape: 'plain' },
      parts: [],
    }),
  )
})

it('what is typed over words that survived a reload is kept, though the sheet follows what is tried', () => {
  window.localStorage.setItem('neat-bracket-draft:hole', 'wide')
  const kept = vi.fn()
  function Sheet() {
    const [value, follow] = useState<number | null>(null)
    return (
      <QuantityField
        label="Hole"
        kind="size"
        units="metric"
        value={value}
        draftKey="hole"
        optional
        onTry={follow}
        onKeep={(now) => void kept(now)}
      />
    )
  }
  show(<Sheet />)
  expect(screen.getByLabelText<HTMLInputElement>('Hole').value).toBe('wide')
  type('Hole', '8')
  type('Hole', '8 mm')
  leave('Hole')
  expect(kept.mock.calls).toEqual([[8]])
})
