'use client'

import { Box, Text } from '@chakra-ui/react'
import { useEffect, useRef, useState } from 'react'
import { useCamera } from '../kit/useCamera'

/** A reader of codes looks so often, and no closer than this many pixels across: a phone stays cool. */
const LOOK_MS = 150
const ACROSS_PX = 640

const NO_CAMERA = 'No camera can be had here. Type the mark instead.'

/** The camera, until it has read a code; `onRead` answers what is wrong with one, and the camera goes on. */
export function Scan({ onRead }: { onRead: (words: string) => string | null }) {
  const { video, state } = useCamera(ACROSS_PX)
  const [wrong, setWrong] = useState<string | null>(null)
  const read = useRef(onRead)
  useEffect(() => {
    read.current = onRead
  })
  useEffect(() => {
    if (state !== 'runs') return
    let ended = false
    let timer: ReturnType<typeof setTimeout> | undefined
    const canvas = document.createElement('canvas')
    const look = (find: (pixels: ImageData) => string | null) => {
      if (ended) return
      const pixels = video.current && pixelsOf(video.current, canvas)
      const words = pixels && find(pixels)
      if (words) {
        const refused = read.current(words)
        if (refused === null) return
        setWrong(refused)
      }
      timer = setTimeout(() => look(find), LOOK_MS)
    }
    import('jsqr').then(
      ({ default: decode }) => look(({ data, width, height }) => decode(data, width, height)?.data ?? null),
      () => setWrong('Labels cannot be read here. Type the mark instead.'),
    )
    return () => {
      ended = true
      clearTimeout(timer)
    }
  }, [state, video])
  const none = state === 'none'
  return (
    <Box>
      <video
        ref={video}
        hidden={none}
        muted
        playsInline
        aria-label="What the camera sees"
        style={{ width: '100%', maxHeight: '46vh', objectFit: 'cover', background: '#000' }}
      />
      <Text role="status" mt={2}>
        {none ? NO_CAMERA : (wrong ?? 'Hold the label into the picture.')}
      </Text>
    </Box>
  )
}

function pixelsOf(video: HTMLVideoElement, canvas: HTMLCanvasElement): ImageData | null {
  const { videoWidth, videoHeight } = video
  if (videoWidth === 0) return null
  const scale = Math.min(1, ACROSS_PX / videoWidth)
  canvas.width = Math.round(videoWidth * scale)
  canvas.height = Math.round(videoHeight * scale)
  const drawn = canvas.getContext('2d', { willReadFrequently: true })
  drawn?.drawImage(video, 0, 0, canvas.width, canvas.height)
  return drawn?.getImageData(0, 0, canvas.width, canvas.height) ?? null
}
