'use client'

import { IconButton } from '@chakra-ui/react'
import { Mic, MicOff } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'

interface Recognition {
  lang: string
  processLocally: boolean
  onresult:
    | ((event: { readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>> }) => void)
    | null
  onend: (() => void) | null
  start: () => void
  abort: () => void
}
interface Recognizer {
  new (): Recognition
  readonly available?: (of: { langs: readonly string[]; processLocally: true }) => Promise<string>
}

const LANGUAGE = 'en-GB'

/** What turns speech into words on this device itself; null where only a service elsewhere would. */
async function recognizer(): Promise<Recognizer | null> {
  const here = (window as unknown as { SpeechRecognition?: Recognizer }).SpeechRecognition
  const said = await here?.available?.({ langs: [LANGUAGE], processLocally: true }).catch(() => 'no')
  return here && said === 'available' ? here : null
}

/** Takes down what is said, where the device can by itself; a second tap ends it. Typing does as well. */
export function Dictate({ label, onWords }: { label: string; onWords: (words: string) => void }) {
  const [can, setCan] = useState<{ readonly make: Recognizer } | null>(null)
  const [hears, setHears] = useState(false)
  const now = useRef<Recognition | null>(null)
  useEffect(() => {
    let gone = false
    void recognizer().then((make) => make && !gone && setCan({ make }))
    return () => {
      gone = true
      now.current?.abort()
    }
  }, [])
  if (!can) return null
  const toggle = () => {
    if (hears) return now.current?.abort()
    const hearing = new can.make()
    Object.assign(hearing, { lang: LANGUAGE, processLocally: true })
    hearing.onresult = ({ results }) => onWords(results[0]?.[0]?.transcript.trim() ?? '')
    hearing.onend = () => setHears(false)
    now.current = hearing
    setHears(true)
    hearing.start()
  }
  return (
    <IconButton
      aria-label={hears ? 'Stop listening' : label}
      variant={hears ? 'solid' : 'outline'}
      colorPalette="inky"
      minW="48px"
      minH="48px"
      onClick={toggle}
    >
      {hears ? <MicOff size={22} /> : <Mic size={22} />}
    </IconButton>
  )
}
