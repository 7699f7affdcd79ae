'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { headEndQuestion, type HeadEndSpot } from '@/core/pathway'
import { FLOORS } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import { Chart } from '../kit/Chart'
import { useInk } from '../kit/ink'
import { Asking } from './Asking'
import type { Editor } from './editor'
import { useAsked } from './worker'

/** So many spots are shown. */
const SHOWN = 8

/** Where else the head end could be, with what all cables come to there: one press moves it. */
export function HeadEndSpots({ editor }: { editor: Editor }) {
  const { job, commit } = editor
  const catalogue = useCatalogue()
  const { result, progress, failed, ask, cancel } = useAsked('headEnds')
  const headEnd = job.things.find(({ kind }) => kind === 'head end')
  if (!headEnd) return <Text>Draw the head end first.</Text>
  const shown = result?.slice(0, SHOWN) ?? []
  const drawn = result?.find(({ beside }) => beside === null)
  const listed = drawn && !shown.includes(drawn) ? [...shown, drawn] : shown
  const put = ({ spot: { floor, at } }: HeadEndSpot) =>
    commit({ type: 'editThing', thingId: headEnd.id, change: { floor, at: { x: at.x, y: at.y } } })
  return (
    <Stack gap={2}>
      <Asking
        words="Compare spots"
        label="Comparing spots"
        broke="The comparison stopped with an error."
        progress={progress}
        failed={failed}
        onAsk={() => ask(headEndQuestion(job, catalogue))}
        onCancel={cancel}
      />
      {listed.length > 0 ? <SpotChart spots={listed} units={job.units} /> : null}
      <Box as="ol" aria-label="Spots for the head end">
        {listed.map((spot, i) => (
          <Box as="li" listStyleType="none" key={i} py={1} borderTopWidth="1px" borderColor="rule">
            <Text className="figures">
              {i + 1}. {wordsOf(spot)}: {figuresOf(spot, job.units)}
            </Text>
            {spot.beside === null ? null : (
              <Button
                size="sm"
                minH="44px"
                variant="outline"
                colorPalette="inky"
                onClick={() => void put(spot)}
              >
                Move it there
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {result ? (
        <Text fontSize="sm" color="soft">
          As the plan was when it was asked, by the ways of cables alone. A safe, cool, dry place with mains
          and a wall for the rack is for you to find; leads of the room come on top.
        </Text>
      ) : null}
    </Stack>
  )
}

const wordsOf = ({ beside, spot }: HeadEndSpot): string =>
  beside === null ? 'Where it is' : `${beside}, ${FLOORS[spot.floor].toLowerCase()}`

const hours = (minutes: number): string => `${Math.round(minutes / 6) / 10} h`

const figuresOf = ({ lengthM, minutes, led }: HeadEndSpot, units: UnitSystem): string =>
  `${print({ value: lengthM, kind: 'cut' }, units)} of cable, ${hours(minutes)} of work, ${led} led`

/** Cable and labour of every spot, side by side. */
function SpotChart({ spots, units }: { spots: readonly HeadEndSpot[]; units: UnitSystem }) {
  const { ink } = useInk()
  const option = useMemo(() => {
    const bars = (of: (spot: HeadEndSpot) => number, words: (value: number) => string, axis: number) => ({
      type: 'bar' as const,
      xAxisIndex: axis,
      yAxisIndex: axis,
      barWidth: 16,
      data: spots.map(of),
      itemStyle: {
        color: ({ dataIndex }: { dataIndex: number }) =>
          spots[dataIndex]!.beside === null ? ink.soft : ink.copper,
      },
      label: {
        show: true,
        position: 'insideLeft' as const,
        color: ink.sheet,
        fontSize: 11,
        formatter: ({ value }: { value: number }) => words(value),
      },
    })
    const value = { type: 'value' as const, axisLabel: { show: false }, splitLine: { show: false } }
    const names = (show: boolean) => ({
      type: 'category' as const,
      inverse: true,
      data: spots.map((_, i) => i + 1),
      axisTick: { show: false },
      axisLabel: { show, color: ink.ink, fontSize: 12 },
    })
    return {
      title: [
        { text: 'Cable', left: 24, top: 0, textStyle: { fontSize: 12, color: ink.ink } },
        { text: 'Work', left: '54%', top: 0, textStyle: { fontSize: 12, color: ink.ink } },
      ],
      grid: [
        { left: 24, right: '50%', top: 22, bottom: 4 },
        { left: '54%', right: 4, top: 22, bottom: 4 },
      ],
      xAxis: [
        { ...value, gridIndex: 0 },
        { ...value, gridIndex: 1 },
      ],
      yAxis: [
        { ...names(true), gridIndex: 0 },
        { ...names(false), gridIndex: 1 },
      ],
      series: [
        bars(
          ({ lengthM }) => lengthM,
          (m) => print({ value: m, kind: 'cut' }, units),
          0,
        ),
        bars(({ minutes }) => minutes, hours, 1),
      ],
    }
  }, [spots, units, ink])
  const says = spots.map((spot, i) => `${i + 1}, ${wordsOf(spot)}: ${figuresOf(spot, units)}`)
  return (
    <Chart option={option} height={24 * spots.length + 30} says={`Spots compared. ${says.join('. ')}.`} />
  )
}
