'use client'

import { Box } from '@chakra-ui/react'
import { create } from 'qrcode'

/** Light modules round a code that a reader needs to find it (ISO/IEC 18004). */
const QUIET = 4

/** An address as a code for the camera of a phone; dark on light in every theme, as readers want it. */
export function Code({ words, label }: { words: string; label: string }) {
  const { size, data } = create(words, { errorCorrectionLevel: 'M' }).modules
  const dark: string[] = []
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) if (data[y * size + x]) dark.push(`M${x + QUIET} ${y + QUIET}h1v1h-1z`)
  const whole = size + 2 * QUIET
  return (
    <Box maxW="260px" borderWidth="1px" borderColor="ink" bg="#FFFFFF">
      <svg viewBox={`0 0 ${whole} ${whole}`} role="img" aria-label={label} shapeRendering="crispEdges">
        <path d={dark.join('')} fill="#000000" />
      </svg>
    </Box>
  )
}
