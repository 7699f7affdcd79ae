'use client'

import { Box, Text } from '@chakra-ui/react'
import type { EChartsCoreOption, EChartsType } from 'echarts/core'
import { useEffect, useRef, useState } from 'react'
import { useInk } from './ink'

/** Fetches what draws charts: half a megabyte that no screen waits for. */
export const fetchCharts = () => import('./echarts')

interface ChartProps {
  readonly option: EChartsCoreOption
  readonly height: number
  /** What it shows, for those who do not see it. */
  readonly says: string
  /** Called with the index of the pointed-at entry, or null. */
  readonly onPoint?: (index: number | null) => void
}

/** A chart in the theme's inks. */
export function Chart({ option, height, says, onPoint }: ChartProps) {
  const box = useRef<HTMLDivElement>(null)
  const { ink } = useInk()
  const [away, setAway] = useState(false)
  useEffect(() => {
    let [ended, end] = [false, () => {}]
    fetchCharts().then(
      ({ init }) => {
        setAway(false)
        if (box.current && !ended) end = draw(init(box.current, null, { renderer: 'svg' }), box.current)
      },
      () => setAway(true),
    )
    const draw = (chart: EChartsType, into: HTMLDivElement) => {
      chart.setOption({
        animation: false,
        textStyle: { fontFamily: 'Barlow, sans-serif', color: ink.ink },
        ...option,
      })
      const watch = new ResizeObserver(() => chart.resize())
      watch.observe(into)
      chart.on('updateAxisPointer', (event) => {
        const { dataIndex } = event as { dataIndex?: number }
        onPoint?.(dataIndex ?? null)
      })
      return () => {
        watch.disconnect()
        chart.dispose()
      }
    }
    return () => {
      ended = true
      end()
    }
  }, [option, ink, onPoint, away])
  if (away)
    return <Text color="soft">The chart is not on this device: no signal since the job was opened.</Text>
  return <Box ref={box} h={`${height}px`} role="img" aria-label={says} />
}
