'use client'

import { Button, Field, HStack, Text } from '@chakra-ui/react'
import { Tick } from '../kit/Tick'
import { setHands, useHands, type Hands } from './hands'

const SIZES: Record<Hands['size'], string> = { usual: 'Usual', large: 'Large', largest: 'Largest' }
const PHOTOS: Record<Hands['photos'], string> = {
  'as taken': 'As taken',
  '2560': 'At most 2560 px',
  '1600': 'At most 1600 px',
}
const HANDS: Record<Hands['hand'], string> = { right: 'Right', left: 'Left' }

/** How this device is held and read. */
export function HandsFields() {
  const { size, hand, buzz, sound, photos } = useHands()
  return (
    <>
      <OneOf label="Text" options={SIZES} value={size} onChoose={(one) => setHands({ size: one })} />
      <OneOf
        label="Held in the hand"
        options={HANDS}
        value={hand}
        onChoose={(one) => setHands({ hand: one })}
      />
      <OneOf
        label="Photos are kept"
        options={PHOTOS}
        value={photos}
        onChoose={(one) => setHands({ photos: one })}
      />
      {photos === 'as taken' ? null : (
        <Text color="soft" fontSize="sm" mb={3}>
          Smaller photos go faster and lose what the camera wrote into them: time, place, settings.
        </Text>
      )}
      <Tick checked={buzz} onTick={(one) => setHands({ buzz: one })}>
        A short buzz when something is recorded
      </Tick>
      <Tick checked={sound} onTick={(one) => setHands({ sound: one })}>
        A short tone when something is recorded
      </Tick>
    </>
  )
}

interface OneOfProps<K extends string> {
  readonly label: string
  readonly options: Readonly<Record<K, string>>
  readonly value: K
  readonly onChoose: (value: K) => void
}

function OneOf<K extends string>({ label, options, value, onChoose }: OneOfProps<K>) {
  return (
    <Field.Root mb={3}>
      <Text color="soft">{label}</Text>
      <HStack role="radiogroup" aria-label={label} gap={2} flexWrap="wrap">
        {(Object.keys(options) as K[]).map((key) => (
          <Button
            key={key}
            role="radio"
            aria-checked={key === value}
            variant={key === value ? 'solid' : 'outline'}
            colorPalette="inky"
            minH="48px"
            onClick={() => onChoose(key)}
          >
            {options[key]}
          </Button>
        ))}
      </HStack>
    </Field.Root>
  )
}
