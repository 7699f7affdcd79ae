'use client'

import { Box, Heading, Table, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { LEVELS, type Job, type ThingOf } from '@/core/job'
import {
  levelName,
  levelsOf,
  settingOf,
  SIGHT_LIMITS,
  walk,
  type WalkCamera,
  type Walked,
} from '@/core/sight'
import { print } from '@/core/units'
import { Chart } from '../kit/Chart'
import { useInk } from '../kit/ink'

const DASHES = ['solid', 'dashed', 'dotted', [8, 3, 2, 3], [14, 4]] as const

/** A walk along a path: density at the face against time for each camera, time in view, gaps. */
export function WalkPanel({
  thing,
  job,
  cameras,
  onAt,
}: {
  thing: ThingOf<'walk'>
  job: Job
  cameras: readonly WalkCamera[]
  onAt: (at: Walked['at'][number] | null) => void
}) {
  const { ink } = useInk()
  const walked = useMemo(
    () => walk(thing.path, cameras, settingOf(job, thing.floor), job.policies.edition),
    [thing, cameras, job],
  )
  const option = useMemo(
    () => ({
      grid: { left: 54, right: 14, top: 30, bottom: 40 },
      legend: { top: 0, textStyle: { color: ink.ink }, icon: 'path://M0,4 L24,4 L24,6 L0,6 Z' },
      tooltip: {
        trigger: 'axis',
        valueFormatter: (value: unknown) =>
          typeof value === 'number' ? print({ value, kind: 'density' }, job.units) : 'not in view',
      },
      xAxis: {
        type: 'category',
        data: walked.timesS.map((s) => s.toFixed(1)),
        name: 'seconds',
        nameLocation: 'middle',
        nameGap: 26,
        axisLabel: { color: ink.soft },
        boundaryGap: false,
      },
      yAxis: {
        type: 'log',
        min: 10,
        name: print({ value: 1, kind: 'density' }, job.units).replace(/^\S+ /, ''),
        axisLabel: { color: ink.soft },
        splitLine: { lineStyle: { color: ink.rule } },
      },
      series: walked.cameras.map(({ mark, densities }, i) => ({
        name: mark,
        type: 'line',
        showSymbol: false,
        connectNulls: false,
        data: densities.map((d) => (d > 0 ? Math.round(d * 10) / 10 : null)),
        lineStyle: { width: 2, type: DASHES[i % DASHES.length], color: i % 2 === 0 ? ink.ink : ink.copper },
        itemStyle: { color: i % 2 === 0 ? ink.ink : ink.copper },
        ...(i === 0 && walked.gaps.length > 0
          ? {
              markArea: {
                silent: true,
                itemStyle: { color: ink.hatch, opacity: 0.5 },
                data: walked.gaps.map(({ fromS, toS }) => [
                  { xAxis: fromS.toFixed(1) },
                  { xAxis: toS.toFixed(1) },
                ]),
              },
            }
          : {}),
      })),
    }),
    [walked, ink, job.units],
  )
  const onPoint = useMemo(
    () => (index: number | null) => onAt(index === null ? null : (walked.at[index] ?? null)),
    [onAt, walked],
  )
  const printed = (value: number, kind: 'length' | 'density' | 'angle' | 'pixels') =>
    print({ value, kind }, job.units)
  const total = walked.timesS.at(-1) ?? 0
  const unseen = walked.gaps.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0)
  const gaps = walked.gaps.map(
    ({ fromS, toS, lengthM }) => `${fromS.toFixed(1)} to ${toS.toFixed(1)} s (${printed(lengthM, 'length')})`,
  )
  const bests = walked.cameras.map(({ mark, bestPxM }) => `${mark} at best ${printed(bestPxM, 'density')}`)
  return (
    <Box as="section" mt={4} aria-label={`Walk ${thing.name}`}>
      <Heading as="h2" fontSize="md" borderBottomWidth="1.5px" borderColor="ink" pb={1} mb={2}>
        {thing.name}: {printed(walked.lengthM, 'length')} in {total.toFixed(0)} s
      </Heading>
      <Text mb={2}>
        {walked.cameras.length === 0 ? 'Nobody sees any of it.' : null}
        {walked.cameras.length > 0 && walked.gaps.length === 0 ? 'Seen all the way.' : null}
        {walked.cameras.length > 0 && walked.gaps.length > 0
          ? `Out of everybody’s view for ${unseen.toFixed(1)} s: ${gaps.join(', ')}.`
          : null}
      </Text>
      {walked.cameras.length > 0 ? (
        <>
          <Chart
            option={option}
            height={240}
            onPoint={onPoint}
            says={`Density at the face against time. ${bests.join(', ')}.`}
          />
          <Table.ScrollArea tabIndex={0} role="region" aria-label="Cameras on the walk">
            <Table.Root
              size="sm"
              className="figures"
              bg="transparent"
              css={{ '& th, & td': { borderColor: 'rule' } }}
            >
              <Table.Header>
                <Table.Row bg="transparent">
                  {['Device', 'In view', 'Face shown', 'Best', 'Level', 'From above', 'Blur'].map((head) => (
                    <Table.ColumnHeader key={head} color="ink" ps={1}>
                      {head}
                    </Table.ColumnHeader>
                  ))}
                </Table.Row>
              </Table.Header>
              <Table.Body>
                {walked.cameras.map(
                  ({ mark, inViewS, facingS, bestPxM, bestLevel, faceAngleDeg, blurPx }) => (
                    <Table.Row key={mark} bg="transparent">
                      {[
                        mark,
                        `${inViewS.toFixed(1)} s`,
                        `${facingS.toFixed(1)} s`,
                        printed(bestPxM, 'density'),
                        levelName(bestLevel),
                        printed(faceAngleDeg, 'angle'),
                        printed(blurPx, 'pixels'),
                      ].map((cell, i) => (
                        <Table.Cell key={i} ps={1}>
                          {cell}
                        </Table.Cell>
                      ))}
                    </Table.Row>
                  ),
                )}
              </Table.Body>
            </Table.Root>
          </Table.ScrollArea>
          <Text fontSize="xs" color="soft" mt={1}>
            {walkingWords(job)}
          </Text>
        </>
      ) : null}
    </Box>
  )
}

function walkingWords(job: Job): string {
  const levels = levelsOf(job.policies.edition).map(
    (id) =>
      `${LEVELS[id].name.toLowerCase()} ${print({ value: LEVELS[id].densityPxM, kind: 'density' }, job.units)}`,
  )
  return `At ${SIGHT_LIMITS.walkingMS.value} m/s, at the face. Levels: ${levels.join(', ')}.`
}
