'use client'

import { Box, Button, Dialog, HStack, IconButton, Portal, SimpleGrid, Text } from '@chakra-ui/react'
import { ArrowUpRight, Circle, CreditCard, EyeOff, Pencil, Ruler, Type, Undo2, X } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useEffect, useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { Photo } from '@/core/job'
import {
  KNOWN_LENGTHS,
  measuredLength,
  MOST_MARKS,
  type KnownThing,
  type PhotoMark,
  type Spot,
} from '@/core/photo'
import type { UnitSystem } from '@/core/units'
import { lengthWords, photoDrawing } from '@/drawings'
import { useJob } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { useDraft } from '../kit/draft'
import { refusal } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import { TextField } from '../kit/TextField'
import { outbox } from '../outbox/outbox'
import { blurred } from './pixels'
import type { Area, Tool } from './tools'
import { usePicture } from './usePicture'
import { Wrong } from '../kit/Wrong'

const PhotoStage = dynamic(() => import('./PhotoStage').then((module) => module.PhotoStage), { ssr: false })

const TOOLS: Readonly<Record<Tool, { name: string; icon: typeof Circle; says: string }>> = {
  arrow: { name: 'Arrow', icon: ArrowUpRight, says: 'Draw from the tail to the point.' },
  ring: { name: 'Ring', icon: Circle, says: 'Draw across what the ring goes round.' },
  line: { name: 'Freehand', icon: Pencil, says: 'Draw.' },
  words: { name: 'Words', icon: Type, says: 'Touch where the words stand, and write them.' },
  known: {
    name: 'Known length',
    icon: CreditCard,
    says:
      'Draw from end to end of something whose length is known. It lies as far off as what is measured, ' +
      'and faces the camera as that does.',
  },
  length: {
    name: 'Measure',
    icon: Ruler,
    says: 'Draw from end to end. Either end can be set right by its dot.',
  },
  blur: {
    name: 'Blur',
    icon: EyeOff,
    says: 'Draw over each face, then blur: the picture itself is changed.',
  },
}

interface PhotoSheetProps {
  readonly photo: Photo
  /** Where it is not, the photo is looked at. */
  readonly editable: boolean
  readonly onClose: () => void
}

/** One photo, large: looked at, drawn on, measured in, blurred. */
export function PhotoSheet({ photo, editable, onClose }: PhotoSheetProps) {
  return (
    <Dialog.Root open size="full" onOpenChange={({ open }) => open || onClose()}>
      <Portal>
        <Dialog.Positioner>
          <Dialog.Content bg="paper" borderRadius={0}>
            <Dialog.Header p={2} alignItems="center">
              <Dialog.Title flex="1" fontSize="md" lineClamp={2}>
                {photo.caption || 'Photo'}
              </Dialog.Title>
              <Dialog.CloseTrigger asChild position="static">
                <IconButton aria-label="Close" variant="outline" colorPalette="inky" minW="48px" minH="48px">
                  <X size={22} />
                </IconButton>
              </Dialog.CloseTrigger>
            </Dialog.Header>
            <Dialog.Body p={0} display="flex" flexDirection="column" minH={0}>
              <Sheet photo={photo} editable={editable} onClose={onClose} />
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}

/** The picture once it is here; null while it is fetched, 'none' where it cannot be had. */
function useImage(src: string): HTMLImageElement | 'none' | null {
  const [image, setImage] = useState<HTMLImageElement | 'none' | null>(null)
  useEffect(() => {
    const fetched = new window.Image()
    fetched.onload = () => setImage(fetched)
    fetched.onerror = () => setImage('none')
    fetched.src = src
    return () => {
      fetched.onload = fetched.onerror = null
    }
  }, [src])
  return image
}

/** The widest that a picture is in a box, keeping its shape. */
function useFit(image: HTMLImageElement | 'none' | null) {
  const box = useRef<HTMLDivElement>(null)
  const [room, setRoom] = useState<readonly [number, number]>([0, 0])
  useEffect(() => {
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect
      setRoom([width, height])
    })
    watch.observe(box.current!)
    return () => watch.disconnect()
  }, [])
  const [wide, tall] = room
  const shape = image && image !== 'none' ? image.naturalWidth / image.naturalHeight : 1
  return { box, width: Math.floor(Math.min(wide, tall * shape)) }
}

function Sheet({ photo, editable, onClose }: PhotoSheetProps) {
  const { job, send } = useJob()
  const picture = usePicture()
  const image = useImage(picture(photo, 'view'))
  const { box, width } = useFit(image)
  const [tool, setTool] = useState<Tool | null>(null)
  const [thing, setThing] = useState<KnownThing | 'other'>('card')
  const [otherMm, setOtherMm] = useState<number | null>(null)
  const [blurs, setBlurs] = useState<readonly Area[]>([])
  const [wordsAt, setWordsAt] = useState<Spot>(MIDDLE)
  const [draft, setDraft] = useDraft(`words:${photo.id}`)
  const words = draft ?? ''
  // What is on its way into the storage is drawn on already.
  const [kept, setKept] = useState<readonly PhotoMark[] | null>(null)
  const [error, setError] = useState<string | null>(null)
  const marks = kept ?? photo.marks
  const knownMm = thing === 'other' ? otherMm : KNOWN_LENGTHS[thing].value
  const keep = async (now: PhotoMark[]) => {
    if (now.length > MOST_MARKS) return setError(`A photo takes ${MOST_MARKS} marks.`)
    setKept(now)
    const said = await send({ type: 'markPhoto', photoId: photo.id, marks: now })
    setKept((latest) => (latest === now ? null : latest))
    setError(said.ok ? null : refusal(said))
  }
  const putWords = async () => {
    if (words.trim() === '') return
    await keep([...marks, { kind: 'words', at: wordsAt, words: words.trim() }])
    setDraft(null)
  }
  const choose = (next: Tool) => {
    setTool(tool === next ? null : next)
    setError(null)
  }
  const waits = tool === 'known' && knownMm === null
  return (
    <>
      <Box ref={box} flex="1" minH={0} display="flex" justifyContent="center" bg="black">
        {image === 'none' ? (
          <Text color="white" p={4} role="alert">
            This picture is not on this device. Open it where there is signal.
          </Text>
        ) : null}
        {image && image !== 'none' && width > 0 ? (
          <Box
            role="img"
            aria-label={photoDrawing(marks, { width: 1, height: 1, units: job.units }).says}
            data-testid="photo-stage"
          >
            <PhotoStage
              image={image}
              width={width}
              marks={marks}
              blurs={blurs}
              units={job.units}
              tool={waits ? null : tool}
              knownMm={knownMm ?? 1}
              onMarks={(now) => void keep(now)}
              onBlur={(area) => setBlurs([...blurs, area])}
              onWords={setWordsAt}
            />
          </Box>
        ) : null}
      </Box>
      {editable ? (
        <Box p={2} pb="max(8px, env(safe-area-inset-bottom))">
          <Text minH="24px" fontSize="sm" role="status">
            {tool ? TOOLS[tool].says : measured(marks, job.units)}
          </Text>
          <Wrong>{error}</Wrong>
          {tool === 'known' ? (
            <HStack gap={3} align="end" mb={2}>
              <Choose
                label="It is"
                value={thing}
                options={[...THINGS, { value: 'other', label: 'Something else' }]}
                onChoose={(value) => setThing(value as KnownThing | 'other')}
              />
              {thing === 'other' ? (
                <QuantityField
                  label="Its length"
                  kind="size"
                  units={job.units}
                  value={otherMm}
                  least={1}
                  most={10_000}
                  draftKey={`known:${photo.id}`}
                  onKeep={(value) => setOtherMm(value)}
                />
              ) : null}
            </HStack>
          ) : null}
          {tool === 'words' ? (
            <HStack gap={3} align="end" mb={2}>
              <TextField label="Words" value={words} onType={(said) => setDraft(said.slice(0, 120))} />
              <Button minH="48px" colorPalette="copper" onClick={() => void putWords()}>
                Put them there
              </Button>
            </HStack>
          ) : null}
          {blurs.length > 0 ? (
            <Blur photo={photo} areas={blurs} onDrop={() => setBlurs([])} onDone={onClose} />
          ) : null}
          <SimpleGrid columns={{ base: 4, md: 8 }} gap={2} role="toolbar" aria-label="Draw on the photo">
            {(Object.keys(TOOLS) as Tool[]).map((one) => {
              const { name, icon: Icon } = TOOLS[one]
              return (
                <Button
                  key={one}
                  variant={tool === one ? 'solid' : 'outline'}
                  colorPalette="inky"
                  aria-pressed={tool === one}
                  minH="56px"
                  px={1}
                  flexDirection="column"
                  gap={0.5}
                  fontSize="xs"
                  onClick={() => choose(one)}
                >
                  <Icon size={20} aria-hidden />
                  {name}
                </Button>
              )
            })}
            <Button
              variant="outline"
              colorPalette="inky"
              minH="56px"
              px={1}
              flexDirection="column"
              gap={0.5}
              fontSize="xs"
              disabled={marks.length === 0}
              onClick={() => void keep(marks.slice(0, -1))}
            >
              <Undo2 size={20} aria-hidden />
              Take back
            </Button>
          </SimpleGrid>
        </Box>
      ) : null}
    </>
  )
}

const MIDDLE: Spot = { x: 0.5, y: 0.3 }
const THINGS = Object.entries(KNOWN_LENGTHS).map(([value, known]) => ({
  value,
  label: `${known.name} (${known.value} ${known.unit})`,
}))

/** The lengths in a photo as a sentence. */
function measured(marks: readonly PhotoMark[], units: UnitSystem): string {
  const lengths = marks.flatMap((mark) => (mark.kind === 'length' ? [measuredLength(mark, marks)] : []))
  const said = lengths.flatMap((length) => (length ? [lengthWords(length, units)] : []))
  if (said.length > 0) return `Measured: ${said.join(', ')}.`
  if (lengths.length > 0) return 'A known length in the picture gives the other its figure.'
  return 'The picture under it stays as it was taken.'
}

interface BlurProps {
  readonly photo: Photo
  readonly areas: readonly Area[]
  readonly onDrop: () => void
  readonly onDone: () => void
}

/** Makes faces unknowable in the picture itself, which takes the place of the one before. */
function Blur({ photo, areas, onDrop, onDone }: BlurProps) {
  const { job, send } = useJob()
  const picture = usePicture()
  const [works, setWorks] = useState(false)
  const [wrong, setWrong] = useState<string | null>(null)
  /** Answers why it was not done. */
  const blur = async (): Promise<string | null> => {
    const whole = await fetch(picture(photo, 'original')).catch(() => null)
    if (!whole?.ok) return 'The whole picture is not on this device. Blur it where there is signal.'
    const sha256 = await outbox().addPhoto(await blurred(await whole.blob(), areas), job.keepPhotoPlace)
    if (sha256 === null) return 'This device cannot keep more: make room first.'
    const { id: before, deviceId, stepId, faultId, caption, marks } = photo
    const photoId = uuid()
    const added = await send({
      type: 'addPhoto',
      photoId,
      facts: { deviceId, stepId, faultId, caption, sha256 },
    })
    if (!added.ok) return refusal(added)
    if (marks.length > 0) await send({ type: 'markPhoto', photoId, marks: [...marks] })
    await outbox().forgetPhoto(before) // what has not been sent never is
    const gone = await send({ type: 'removePhoto', photoId: before })
    return gone.ok ? null : refusal(gone)
  }
  const start = async () => {
    setWorks(true)
    const why = await blur().catch(() => 'This picture cannot be read here.')
    setWorks(false)
    setWrong(why)
    if (why === null) onDone()
  }
  return (
    <HStack gap={3} mb={2} flexWrap="wrap">
      <Text flex="1" minW="180px" fontSize="sm" role={wrong === null ? undefined : 'alert'}>
        {wrong ?? 'The blurred picture takes the place of this one in the record.'}
      </Text>
      <Button minH="48px" variant="outline" colorPalette="inky" onClick={onDrop}>
        Not now
      </Button>
      <Button
        minH="48px"
        bg="stop"
        color="sheet"
        loading={works}
        loadingText="Blurring"
        onClick={() => void start()}
      >
        Blur for good
      </Button>
    </HStack>
  )
}
