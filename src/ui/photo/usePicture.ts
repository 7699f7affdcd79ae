import type { Photo } from '@/core/job'
import { useOutbox } from '../job/JobProvider'

/** Where a photo's picture is: with this browser while it waits, with the server after. */
export function usePicture(): (photo: Photo, size?: 'small' | 'view' | 'original') => string {
  const { pictures } = useOutbox()
  return ({ sha256 }, size = 'small') => pictures.get(sha256) ?? `/api/photos/${sha256}?size=${size}`
}
