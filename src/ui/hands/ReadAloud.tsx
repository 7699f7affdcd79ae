'use client'

import { IconButton } from '@chakra-ui/react'
import { Volume2, VolumeX } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useMounted } from '../kit/ink'

/** Reads words aloud where the browser can; a second tap ends it. */
export function ReadAloud({ words }: { words: string }) {
  const can = useMounted() && 'speechSynthesis' in window
  const [reading, setReading] = useState(false)
  useEffect(() => () => window.speechSynthesis?.cancel(), [])
  if (!can) return null
  const read = () => {
    window.speechSynthesis.cancel()
    if (reading) return setReading(false)
    const spoken = new SpeechSynthesisUtterance(words)
    spoken.lang = 'en'
    spoken.onend = () => setReading(false)
    setReading(true)
    window.speechSynthesis.speak(spoken)
  }
  return (
    <IconButton
      aria-label={reading ? 'Stop reading' : 'Read this step aloud'}
      variant="ghost"
      colorPalette="inky"
      minW="48px"
      minH="48px"
      onClick={read}
    >
      {reading ? <VolumeX size={22} /> : <Volume2 size={22} />}
    </IconButton>
  )
}
