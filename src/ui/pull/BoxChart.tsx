'use client'

import { useMemo } from 'react'
import type { BoxPlan } from '@/core/reels'
import { print, type UnitSystem } from '@/core/units'
import { Chart } from '../kit/Chart'
import { useInk } from '../kit/ink'

const ROW_PX = 30

/** Every box as a bar: the runs that are cut from it in their order, and what is left. */
export function BoxChart({ boxes, units }: { boxes: readonly BoxPlan[]; units: UnitSystem }) {
  const { ink } = useInk()
  const says = boxes.map(({ name, cuts, leftM }) => {
    const left = print({ value: leftM, kind: 'cut' }, units)
    return `${name}: ${cuts.map(({ mark }) => mark).join(', ')}; ${left} left`
  })
  const option = useMemo(() => {
    const most = Math.max(...boxes.map(({ cuts }) => cuts.length))
    const piece = (at: number) => ({
      type: 'bar' as const,
      stack: 'box',
      barWidth: 20,
      data: boxes.map(({ cuts }) => ({ value: cuts[at]?.cutM ?? 0, name: cuts[at]?.mark ?? '' })),
      itemStyle: { color: at % 2 === 0 ? ink.copper : ink.soft, borderColor: ink.sheet, borderWidth: 1 },
      label: {
        show: true,
        color: ink.sheet,
        fontSize: 11,
        formatter: ({ name, value }: { name: string; value: number }) => (value > 0 ? name : ''),
      },
      labelLayout: { hideOverlap: true },
    })
    return {
      grid: { left: 60, right: 12, top: 4, bottom: 22 },
      xAxis: {
        type: 'value',
        max: Math.max(...boxes.map(({ lengthM }) => lengthM)),
        axisLabel: {
          color: ink.soft,
          fontSize: 11,
          formatter: (m: number) => print({ value: m, kind: 'cut' }, units),
        },
        splitLine: { lineStyle: { color: ink.rule } },
      },
      yAxis: {
        type: 'category',
        inverse: true,
        data: boxes.map(({ name }) => name || 'No name'),
        axisTick: { show: false },
        axisLabel: { color: ink.ink, fontSize: 12 },
      },
      series: [
        ...Array.from({ length: most }, (_, at) => piece(at)),
        {
          type: 'bar' as const,
          stack: 'box',
          data: boxes.map(({ leftM }) => leftM),
          itemStyle: {
            color: ink.sheet,
            borderColor: ink.ink,
            borderWidth: 1,
            borderType: 'dashed' as const,
          },
        },
      ],
    }
  }, [boxes, units, ink])
  return <Chart option={option} height={ROW_PX * boxes.length + 30} says={`Boxes. ${says.join('. ')}.`} />
}
