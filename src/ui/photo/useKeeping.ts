import { useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { PhotoFacts } from '@/core/job'
import { withoutPlaceAndTime } from '@/core/photo'
import { useHands } from '../hands/hands'
import { useJob } from '../job/JobProvider'
import { refusal } from '../kit/LineField'
import { outbox } from '../outbox/outbox'
import { shrunk } from './pixels'

/** What a photo is of. */
export type About = Omit<PhotoFacts, 'sha256'>

/** Keeps pictures as photos on this device at once; they go when there is signal. */
export function useKeeping(about: About) {
  const { job, send } = useJob()
  const { photos } = useHands()
  const [error, setError] = useState<string | null>(null)
  /** Answers why it was not kept. */
  const keepOne = async (picture: Blob): Promise<string | null> => {
    const taken = photos === 'as taken' ? picture : await shrunk(picture, Number(photos))
    const bytes = new Uint8Array(await taken.arrayBuffer())
    const kept = job.keepPhotoPlace ? bytes : withoutPlaceAndTime(bytes)
    const sha256 = await outbox().addPhoto(
      kept === bytes ? taken : new Blob([kept.slice()], { type: taken.type }),
      job.keepPhotoPlace,
    )
    if (sha256 === null) return 'This device cannot keep more: save the waiting work as a file and make room.'
    const said = await send({ type: 'addPhoto', photoId: uuid(), facts: { ...about, sha256 } })
    return said.ok ? null : refusal(said)
  }
  /** Answers how many were kept. */
  const keep = async (pictures: readonly Blob[]): Promise<number> => {
    setError(null)
    let kept = 0
    for (const picture of pictures) {
      const isPicture = picture.type.startsWith('image/')
      const wrong = isPicture ? await keepOne(picture) : `${nameOf(picture)} is not a picture.`
      if (wrong === null) kept++
      else setError(wrong)
      if (wrong !== null && isPicture) break
    }
    return kept
  }
  return { keep, error }
}

const nameOf = (picture: Blob): string => (picture instanceof File ? picture.name : 'It')
