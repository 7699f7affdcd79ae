import { Button, Text } from '@chakra-ui/react'
import { WorkingBar } from '../kit/WorkingBar'

/** The way to ask for long work, how far it is, and that it broke. */
export function Asking({
  words,
  label,
  broke,
  progress,
  failed,
  onAsk,
  onCancel,
}: {
  /** On the button. */
  words: string
  /** Of the bar. */
  label: string
  /** What is said where it broke. */
  broke: string
  /** 0 to 1; null while nothing is worked out. */
  progress: number | null
  failed: boolean
  onAsk: () => void
  onCancel: () => void
}) {
  return (
    <>
      {progress === null ? (
        <Button minH="44px" variant="outline" colorPalette="inky" onClick={onAsk}>
          {words}
        </Button>
      ) : (
        <WorkingBar share={progress} label={label} stop="Cancel" onStop={onCancel} />
      )}
      {failed ? (
        <Text role="alert" color="stop">
          {broke} Try again.
        </Text>
      ) : null}
    </>
  )
}
