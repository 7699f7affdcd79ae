'use client'

import { offUprightDeg } from '@/core/sensors'
import { Reading } from './Reading'
import { useOrientation } from './useOrientation'

/** Reads how far off upright this phone is held. */
export function TiltReader({ onRead }: { onRead: (deg: number) => void }) {
  return (
    <Reading
      sensor={useOrientation('deviceorientation', offUpright)}
      begin="Read this phone’s tilt"
      waits="Waiting for the sensor"
      none="This device gives no tilt: type what the level says."
      take={({ deg }) => `Take ${deg.toFixed(1)}°`}
      onTake={({ deg }) => onRead(deg)}
    />
  )
}

const offUpright = (told: Parameters<typeof offUprightDeg>[0]) => {
  const deg = offUprightDeg(told)
  return deg === null ? null : { deg }
}
