'use client'

import { Box } from '@chakra-ui/react'
import { BarChart, LineChart } from 'echarts/charts'
import { GridComponent, LegendComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { init, use as register, type EChartsCoreOption } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { useEffect, useRef } from 'react'
import { useInk } from './ink'

register([
  BarChart,
  LineChart,
  GridComponent,
  LegendComponent,
  MarkAreaComponent,
  TooltipComponent,
  SVGRenderer,
])

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
  useEffect(() => {
    if (!box.current) return
    const chart = init(box.current, null, { renderer: 'svg' })
    chart.setOption({
      animation: false,
      textStyle: { fontFamily: 'Barlow, sans-serif', color: ink.ink },
      ...option,
    })
    const watch = new ResizeObserver(() => chart.resize())
    watch.observe(box.current)
    chart.on('updateAxisPointer', (event) => {
      const { dataIndex } = event as { dataIndex?: number }
      onPoint?.(dataIndex ?? null)
    })
    return () => {
      watch.disconnect()
      chart.dispose()
    }
  }, [option, ink, onPoint])
  return <Box ref={box} h={`${height}px`} role="img" aria-label={says} />
}
