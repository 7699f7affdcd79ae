'use client'

import { Box, Button, HStack, IconButton, Image, Text } from '@chakra-ui/react'
import { Camera, X } from 'lucide-react'
import { useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { Photo, PhotoFacts } from '@/core/job'
import { useJob, useOutbox } from '../job/JobProvider'
import { outbox } from '../job/outbox'
import { refusal } from '../kit/LineField'

/** Where a photo's picture is: with this browser while it waits, with the server after. */
export function usePicture(): (photo: Photo, size?: 'small' | 'view') => string {
  const { pictures } = useOutbox()
  return ({ sha256 }, size = 'small') => pictures.get(sha256) ?? `/api/photos/${sha256}?size=${size}`
}

/** Small pictures in a row, each opening the larger one. */
export function PhotoStrip({ photos, onRemove }: { photos: readonly Photo[]; onRemove?: (photo: Photo) => void }) {
  const picture = usePicture()
  if (photos.length === 0) return null
  return (
    <HStack as="ul" listStyleType="none" gap={3} flexWrap="wrap" align="start">
      {photos.map((photo) => (
        <Box as="li" key={photo.id} position="relative" w="112px">
          <a href={picture(photo, 'view')} target="_blank" rel="noreferrer">
            <Image src={picture(photo)} alt={photo.caption || 'Photo without caption'} w="112px" h="84px" objectFit="cover" borderWidth="1px" borderColor="rule" />
          </a>
          <Text fontSize="xs" color="soft" lineClamp={2}>{photo.caption}</Text>
          {onRemove ? (
            <IconButton position="absolute" top={0} right={0} size="xs" minW="32px" minH="32px" colorPalette="inky" aria-label={`Remove photo ${photo.caption}`} onClick={() => onRemove(photo)} className="no-print"><X size={14} /></IconButton>
          ) : null}
        </Box>
      ))}
    </HStack>
  )
}

/** Takes or picks photos; they are kept on this device at once and uploaded when there is signal. */
export function PhotoButton({ about, label = 'Photo' }: { about: Omit<PhotoFacts, 'sha256'>; label?: string }) {
  const { send } = useJob()
  const input = useRef<HTMLInputElement>(null)
  const [error, setError] = useState<string | null>(null)
  const take = async (files: FileList | null) => {
    setError(null)
    for (const file of files ?? []) {
      if (!file.type.startsWith('image/')) {
        setError(`${file.name} is not a picture.`)
        continue
      }
      const sha256 = await outbox().addPhoto(file)
      const said = send({ type: 'addPhoto', photoId: uuid(), facts: { ...about, sha256 } })
      if (!said.ok) setError(refusal(said))
    }
  }
  return (
    <>
      <input ref={input} type="file" accept="image/*" capture="environment" multiple hidden data-testid="photo-input" onChange={(event) => {
        const { files } = event.target
        void take(files).finally(() => (event.target.value = ''))
      }} />
      <Button variant="outline" colorPalette="inky" minH="56px" minW="72px" bg="sheet" onClick={() => input.current?.click()}><Camera size={24} aria-hidden />{label}</Button>
      {error ? <Text role="alert" color="stop">{error}</Text> : null}
    </>
  )
}
