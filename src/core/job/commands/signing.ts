import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils'
import { Id } from '../fields'
import { SignedFacts } from '../job'
import { changed, kind, refuse } from './kind'

export const hashOf = (words: string): string => bytesToHex(sha256(utf8ToBytes(words)))

/** Seals a record. It is never changed or taken out again; a new one can be made beside it. */
export const signRecord = kind({
  shape: { recordId: Id, facts: SignedFacts },
  called: 'a signed record',
  apply: (job, { recordId, facts, at, by }) => {
    if (job.signed.some(({ id }) => id === recordId)) return refuse('/recordId', 'This is signed already.')
    if (facts.deviceId !== null && !job.devices.some(({ id }) => id === facts.deviceId)) {
      return refuse('/facts/deviceId', 'There is no device with this id.')
    }
    if (hashOf(facts.body) !== facts.sha256) {
      return refuse('/facts/sha256', 'This is not the hash of what is signed: it was changed on the way.')
    }
    return changed(job, { signed: [...job.signed, { id: recordId, ...facts, at, by }] })
  },
})
