import { useEffect, useRef, useState, type RefObject } from 'react'

interface Camera {
  readonly video: RefObject<HTMLVideoElement | null>
  /** Starting until it runs; none where it cannot be had. */
  readonly state: 'starting' | 'runs' | 'none'
}

/** The camera that looks away from the face, while the page shows it; `width` is what is wished for. */
export function useCamera(width: number): Camera {
  const video = useRef<HTMLVideoElement>(null)
  const [state, setState] = useState<Camera['state']>('starting')
  useEffect(() => {
    let ended = false
    let stream: MediaStream | null = null
    const begin = async () => {
      stream = await navigator.mediaDevices.getUserMedia({
        video: { facingMode: 'environment', width: { ideal: width } },
      })
      if (ended || !video.current) return stop(stream)
      video.current.srcObject = stream
      await video.current.play()
      if (!ended) setState('runs')
    }
    begin().catch(() => {
      if (!ended) setState('none')
    })
    return () => {
      ended = true
      if (stream) stop(stream)
    }
  }, [width])
  return { video, state }
}

const stop = (stream: MediaStream) => stream.getTracks().forEach((track) => track.stop())
