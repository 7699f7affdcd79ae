'use client'

import { Box, Image } from '@chakra-ui/react'
import { useState } from 'react'
import type { Photo } from '@/core/job'
import { photoDrawing } from '@/drawings'
import { useJob } from '../job/JobProvider'
import { DrawingView } from '../kit/DrawingView'
import { usePicture } from './usePicture'

/** A photo with what is drawn on it, whole. */
export function MarkedPhoto({ photo }: { photo: Photo }) {
  const { units } = useJob().job
  const picture = usePicture()
  const [shape, setShape] = useState<number | null>(null)
  const measure = (image: HTMLImageElement | null) => {
    if (image?.complete && image.naturalWidth > 0) setShape(image.naturalHeight / image.naturalWidth)
  }
  return (
    <Box position="relative">
      <Image
        ref={measure}
        src={picture(photo, 'view')}
        alt={photo.caption || 'Photo without caption'}
        w="100%"
        display="block"
        onLoad={({ currentTarget }) => measure(currentTarget)}
      />
      {shape === null ? null : (
        <Box position="absolute" inset={0}>
          <DrawingView
            drawing={photoDrawing(photo.marks, { width: ACROSS, height: ACROSS * shape, units })}
          />
        </Box>
      )}
    </Box>
  )
}

/** Drawing units across a photo: words on it are read in a row of four. */
const ACROSS = 300
