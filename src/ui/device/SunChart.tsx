'use client'

import { Box, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import type { SunInPicture } from '@/core/sight'
import { Chart } from '../kit/Chart'
import { useInk } from '../kit/ink'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** Hours with the sun in the picture, month by month, and the worst days. */
export function SunChart({ sun }: { sun: SunInPicture }) {
  const { ink } = useInk()
  const option = useMemo(
    () => ({
      grid: { left: 34, right: 8, top: 12, bottom: 24 },
      xAxis: {
        type: 'category',
        data: MONTHS,
        axisTick: { show: false },
        axisLabel: { color: ink.soft, interval: 0, fontSize: 11 },
      },
      yAxis: {
        type: 'value',
        axisLabel: { color: ink.soft, formatter: '{value} h' },
        splitLine: { lineStyle: { color: ink.rule } },
      },
      series: [
        {
          type: 'bar',
          data: sun.byMonth.map((hours) => Math.round(hours * 10) / 10),
          itemStyle: { color: ink.copper },
          barWidth: '60%',
          label: {
            show: true,
            position: 'top',
            color: ink.ink,
            fontSize: 11,
            formatter: ({ value }: { value: number }) => (value >= 0.5 ? Math.round(value) : ''),
          },
        },
      ],
    }),
    [sun, ink],
  )
  const hours = Math.round(sun.hoursAYear)
  if (hours === 0) return <Text>The sun never stands in this picture.</Text>
  return (
    <Box>
      <Chart
        option={option}
        height={170}
        says={
          'Hours of sun in the picture by month: ' +
          `${sun.byMonth.map((h, i) => `${MONTHS[i]} ${Math.round(h)}`).join(', ')}.`
        }
      />
      <Text mt={1}>
        <strong>{hours} h a year</strong> at most, under a clear sky.
      </Text>
      <Text color="soft">
        Worst: {sun.worst.map(({ day, from, to }) => `${day}, ${from}–${to}`).join('; ')}.
      </Text>
    </Box>
  )
}
