import type { Metadata } from 'next'
import { connection } from 'next/server'
import { PhonesPage } from '@/ui/phones/PhonesPage'

export const metadata: Metadata = { title: 'Phones' }

export default async function Page() {
  await connection()
  const { NEAT_BRACKET_LAN_ADDRESS, NEAT_BRACKET_TRUST_ADDRESS, NEAT_BRACKET_TRUST_FINGERPRINT } = process.env
  return (
    <PhonesPage
      open={NEAT_BRACKET_LAN_ADDRESS !== undefined}
      trust={
        NEAT_BRACKET_TRUST_ADDRESS && NEAT_BRACKET_TRUST_FINGERPRINT
          ? { address: NEAT_BRACKET_TRUST_ADDRESS, fingerprint: NEAT_BRACKET_TRUST_FINGERPRINT }
          : null
      }
    />
  )
}
