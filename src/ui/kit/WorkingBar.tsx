import { Button, HStack, Progress } from '@chakra-ui/react'

/** How far long work is, and the way to end it. */
export function WorkingBar({
  share,
  label,
  stop,
  onStop,
}: {
  /** 0 to 1. */
  share: number
  label: string
  stop: string
  onStop: () => void
}) {
  return (
    <HStack className="no-print">
      <Progress.Root value={Math.round(share * 100)} flex="1" aria-label={label}>
        <Progress.Track>
          <Progress.Range bg="copper.solid" />
        </Progress.Track>
      </Progress.Root>
      <Button size="sm" minH="44px" variant="outline" colorPalette="inky" onClick={onStop}>
        {stop}
      </Button>
    </HStack>
  )
}
