'use client'

import { Button, HStack, Progress, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { z } from 'zod'
import { Wrong } from './Wrong'

const Started = z.object({ printId: z.string() })
const Told = z.object({
  state: z.enum(['printing', 'done', 'failed', 'cancelled', 'refused']),
  done: z.number(),
  total: z.number(),
  message: z.string().nullable(),
})

const EVERY_MS = 300

/** Has the server print something: shows how far it is, can be cancelled, and downloads what comes. */
export function PrintButton({
  jobId,
  order,
  label,
  counted,
  without = 'It can be had as soon as that can be reached.',
}: {
  jobId: string
  /** What is asked of the server. */
  order: object
  label: string
  /** What is counted while it is made: devices; shares in percent where left out. */
  counted?: string
  /** What to do without signal. */
  without?: string
}) {
  const [print, setPrint] = useState<{
    readonly id: string
    readonly done: number
    readonly total: number
  } | null>(null)
  const [error, setError] = useState<string | null>(null)
  const mounted = useRef(true)
  useEffect(() => {
    mounted.current = true
    return () => void (mounted.current = false)
  }, [])

  const start = async () => {
    setError(null)
    try {
      const response = await fetch(`/api/jobs/${jobId}/prints`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(order),
      })
      if (!response.ok) throw new Error(((await response.json()) as { detail?: string }).detail)
      const { printId } = Started.parse(await response.json())
      setPrint({ id: printId, done: 0, total: 0 })
      await follow(printId)
    } catch (cause) {
      setError(
        cause instanceof TypeError
          ? `No signal: the ${label} is made by the server. ${without}`
          : (cause as Error).message || `The ${label} could not be made.`,
      )
    }
    if (mounted.current) setPrint(null)
  }
  const follow = async (id: string) => {
    while (mounted.current) {
      const { state, done, total, message } = Told.parse(await (await fetch(`/api/prints/${id}`)).json())
      if (state === 'cancelled') return
      if (state === 'done') return save(id)
      if (state !== 'printing') throw new Error(message ?? `The ${label} could not be made.`)
      setPrint({ id, done, total })
      await new Promise((again) => setTimeout(again, EVERY_MS))
    }
  }

  if (print) {
    return (
      <HStack minH="44px" gap={3} role="status">
        <Progress.Root
          value={print.total > 0 ? (100 * print.done) / print.total : null}
          w="120px"
          size="sm"
          colorPalette="copper"
          aria-label="Printing"
        >
          <Progress.Track>
            <Progress.Range />
          </Progress.Track>
        </Progress.Root>
        <Text className="figures">
          {print.total > 0 ? farWords(print.done, print.total, counted) : 'Starting'}
        </Text>
        <Button
          variant="outline"
          colorPalette="inky"
          minH="44px"
          onClick={() => void fetch(`/api/prints/${print.id}`, { method: 'DELETE' })}
        >
          Cancel
        </Button>
      </HStack>
    )
  }
  return (
    <>
      <Button variant="outline" colorPalette="inky" minH="44px" onClick={() => void start()}>
        {label}
      </Button>
      <Wrong>{error}</Wrong>
    </>
  )
}

const farWords = (done: number, total: number, counted: string | undefined) =>
  counted ? `${done} of ${total} ${counted}` : `${Math.round((100 * done) / total)} %`

/** Takes the printed file to where the browser puts what is downloaded. */
function save(printId: string): void {
  const link = document.createElement('a')
  link.href = `/api/prints/${printId}/file`
  link.click()
}
