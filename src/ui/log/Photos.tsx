'use client'

import { Box, Button, chakra, HStack, Image, Text } from '@chakra-ui/react'
import { Camera } from 'lucide-react'
import { useRef, useState } from 'react'
import type { Photo } from '@/core/job'
import { Removal } from '../kit/Removal'
import { PhotoSheet } from '../photo/PhotoSheet'
import { useKeeping, type About } from '../photo/useKeeping'
import { usePicture } from '../photo/usePicture'
import { Wrong } from '../kit/Wrong'

/** Small pictures in a row, each opening the larger one; without `onRemove` they stay as they are. */
export function PhotoStrip({
  photos,
  onRemove,
}: {
  photos: readonly Photo[]
  onRemove?: ((photo: Photo) => Promise<unknown>) | undefined
}) {
  const picture = usePicture()
  const [openId, setOpenId] = useState<string | null>(null)
  const open = photos.find(({ id }) => id === openId)
  if (photos.length === 0) return null
  return (
    <>
      <HStack as="ul" listStyleType="none" gap={3} flexWrap="wrap" align="start" mb={2}>
        {photos.map((photo) => (
          <Box as="li" key={photo.id} w="128px">
            <chakra.button
              type="button"
              display="block"
              position="relative"
              aria-label={`Open photo ${photo.caption}${drawnOn(photo)}`}
              onClick={() => setOpenId(photo.id)}
            >
              <Image
                src={picture(photo)}
                alt={photo.caption || 'Photo without caption'}
                w="128px"
                h="96px"
                objectFit="cover"
                borderWidth="1px"
                borderColor="rule"
              />
              {photo.marks.length > 0 ? (
                <Text
                  as="span"
                  position="absolute"
                  right={1}
                  bottom={1}
                  px={1}
                  bg="ink"
                  color="paper"
                  fontSize="sm"
                >
                  ✎ {photo.marks.length}
                </Text>
              ) : null}
            </chakra.button>
            <HStack justify="space-between" align="start" gap={0}>
              <Text fontSize="sm" color="soft" lineClamp={2} flex="1">
                {photo.caption}
              </Text>
              {onRemove ? (
                <Removal
                  icon
                  label={`Remove photo ${photo.caption}`}
                  asks="Remove this photo from the record?"
                  onRemove={() => onRemove(photo)}
                />
              ) : null}
            </HStack>
          </Box>
        ))}
      </HStack>
      {open ? (
        <PhotoSheet photo={open} editable={onRemove !== undefined} onClose={() => setOpenId(null)} />
      ) : null}
    </>
  )
}

const drawnOn = ({ marks }: Photo): string => {
  if (marks.length === 0) return ''
  return marks.length === 1 ? ', 1 mark on it' : `, ${marks.length} marks on it`
}

interface PhotoButtonProps {
  readonly about: About
  /** How much a photo is wanted here, and how many there are: said beside the button. */
  readonly asked?: 'asked' | 'required' | null
  readonly taken?: number
}

/** Takes or picks photos; they are kept on this device at once and uploaded when there is signal. */
export function PhotoButton({ about, asked = null, taken = 0 }: PhotoButtonProps) {
  const input = useRef<HTMLInputElement>(null)
  const { keep, error } = useKeeping(about)
  return (
    <HStack gap={2}>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        multiple
        hidden
        data-testid="photo-input"
        onChange={(event) => {
          const { files } = event.target
          void keep([...(files ?? [])]).finally(() => (event.target.value = ''))
        }}
      />
      <Button
        variant="outline"
        colorPalette="inky"
        minH="60px"
        minW="88px"
        bg="sheet"
        onClick={() => input.current?.click()}
      >
        <Camera size={24} aria-hidden />
        Photo
      </Button>
      <Wrong>{error}</Wrong>
      {asked && !error ? (
        <Text
          fontSize="sm"
          maxW="92px"
          lineHeight={1.2}
          color={asked === 'required' && taken === 0 ? 'check' : 'soft'}
        >
          {photoWords(asked, taken)}
        </Text>
      ) : null}
    </HStack>
  )
}

function photoWords(asked: 'asked' | 'required', taken: number): string {
  if (taken > 0) return `✓ ${taken} taken`
  return asked === 'required' ? '▲ A photo is needed' : 'A photo is welcome'
}
