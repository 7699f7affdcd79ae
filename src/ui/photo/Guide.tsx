'use client'

import { Box, Button, Dialog, HStack, Portal, Text } from '@chakra-ui/react'
import { Camera, Frame } from 'lucide-react'
import { useState, type RefObject } from 'react'
import { VIEWS, type PhotoView } from '@/core/procedure'
import { ghostDrawing } from '@/drawings'
import { DrawingView } from '../kit/DrawingView'
import { useCamera } from '../kit/useCamera'
import { canvasOf, jpegOf } from './canvas'
import { useKeeping, type About } from './useKeeping'

/** What a phone's camera gives at the most, pixels across. */
const ACROSS_PX = 4096

/** What the photo of a step must show, and a camera that shows where it should lie. */
export function Guide({ view, about }: { view: PhotoView; about: About }) {
  const [open, setOpen] = useState(false)
  return (
    <HStack gap={3} mb={3} flexWrap="wrap">
      <Text flex="1" minW="180px" color="soft">
        In the photo: {VIEWS[view]}.
      </Text>
      <Button variant="outline" colorPalette="inky" minH="48px" onClick={() => setOpen(true)}>
        <Frame size={20} aria-hidden />
        With a guide
      </Button>
      <Dialog.Root open={open} size="full" lazyMount unmountOnExit onOpenChange={(now) => setOpen(now.open)}>
        <Portal>
          <Dialog.Positioner>
            <Dialog.Content bg="black" color="white" borderRadius={0}>
              <Dialog.Header p={3}>
                <Dialog.Title fontSize="lg">Show {VIEWS[view]}</Dialog.Title>
              </Dialog.Header>
              <Dialog.Body p={0} display="flex" flexDirection="column" minH={0}>
                <Finder view={view} about={about} onDone={() => setOpen(false)} />
              </Dialog.Body>
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
    </HStack>
  )
}

interface FinderProps {
  readonly view: PhotoView
  readonly about: About
  readonly onDone: () => void
}

function Finder({ view, about, onDone }: FinderProps) {
  const { video, state } = useCamera(ACROSS_PX)
  const { keep, error } = useKeeping(about)
  const [taken, setTaken] = useState(0)
  const [busy, setBusy] = useState(false)
  const shoot = async () => {
    setBusy(true)
    const kept = await keep([await pictureOf(video)]).finally(() => setBusy(false))
    setTaken(taken + kept)
  }
  return (
    <>
      <Box position="relative" flex="1" minH={0} overflow="hidden">
        <video
          ref={video}
          hidden={state === 'none'}
          muted
          playsInline
          aria-label="What the camera sees"
          style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', objectFit: 'cover' }}
        />
        {state === 'runs' ? (
          <Box
            position="absolute"
            inset={0}
            display="grid"
            placeItems="center"
            opacity={0.55}
            pointerEvents="none"
          >
            <Box w="300px">
              <DrawingView drawing={ghostDrawing(view, VIEWS[view])} />
            </Box>
          </Box>
        ) : null}
        {state === 'none' ? (
          <Text p={4} role="alert">
            No camera can be had here. Take the photo with the step’s Photo button.
          </Text>
        ) : null}
      </Box>
      <HStack p={3} pb="max(12px, env(safe-area-inset-bottom))" gap={3}>
        <Button
          minH="60px"
          flex="1"
          variant="outline"
          color="white"
          _hover={{ bg: 'gray.800' }}
          onClick={onDone}
        >
          {taken > 0 ? `Done, ${taken} taken` : 'Back'}
        </Button>
        <Button
          minH="60px"
          flex="1"
          colorPalette="copper"
          disabled={state !== 'runs'}
          loading={busy}
          loadingText="Hold still"
          onClick={() => void shoot()}
        >
          <Camera size={24} aria-hidden />
          Take it
        </Button>
      </HStack>
      {error ? (
        <Text p={3} role="alert" bg="stop" color="sheet">
          {error}
        </Text>
      ) : null}
    </>
  )
}

/** A camera that takes longer for a picture is not waited for, ms. */
const PATIENCE_MS = 4000

/** The picture as large as the camera takes one; where it takes none, what the finder shows. */
async function pictureOf({ current: video }: RefObject<HTMLVideoElement | null>): Promise<Blob> {
  const taken = await taking(video!.srcObject as MediaStream).catch(() => null)
  if (taken) return taken
  const { videoWidth, videoHeight } = video!
  const { canvas, on } = canvasOf(videoWidth, videoHeight)
  on.drawImage(video!, 0, 0)
  return jpegOf(canvas, 0.92)
}

function taking(stream: MediaStream): Promise<Blob | null> {
  const [track] = stream.getVideoTracks()
  if (!track || typeof ImageCapture === 'undefined') return Promise.resolve(null)
  const late = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_MS))
  return Promise.race([new ImageCapture(track).takePhoto(), late])
}
