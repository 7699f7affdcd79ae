import { Box, HStack, Text, type TextProps } from '@chakra-ui/react'
import type { Mark } from '@/core/assess'
import type { Verdict } from '@/core/findings'

/** Word and shape carry the verdict; colour only supports it. */
export const VERDICTS: Record<
  Verdict,
  { readonly word: string; readonly sign: string; readonly color: string }
> = {
  good: { word: 'Good', sign: '✓', color: 'good' },
  check: { word: 'Check', sign: '▲', color: 'check' },
  stop: { word: 'Stop', sign: '■', color: 'stop' },
}

export const MARKS: Record<Mark, { readonly word: string; readonly sign: string; readonly color: string }> = {
  'not planned': { word: 'not planned', sign: '·', color: 'soft' },
  'ready': { word: 'ready', sign: '○', color: 'ink' },
  'done': { word: 'done', sign: '✓', color: 'good' },
  'check': { word: 'Check', sign: '▲', color: 'check' },
  'stop': { word: 'Stop', sign: '■', color: 'stop' },
}

/** `▲ Check: title` in the verdict's colour. */
export function VerdictLine({ verdict, children, ...props }: { verdict: Verdict } & TextProps) {
  const { word, sign, color } = VERDICTS[verdict]
  return (
    <Text color={color} fontWeight={600} {...props}>
      <span aria-hidden>{sign} </span>
      {word}
      {children ? <> {children}</> : null}
    </Text>
  )
}

/** The two bracket corners that mark the selected thing. */
export function Brackets() {
  const corner = {
    position: 'absolute',
    width: '10px',
    height: '10px',
    borderColor: 'copper.solid',
    pointerEvents: 'none',
  } as const
  return (
    <>
      <Box aria-hidden {...corner} top="-2px" left="-2px" borderTopWidth="2px" borderLeftWidth="2px" />
      <Box
        aria-hidden
        {...corner}
        bottom="-2px"
        right="-2px"
        borderBottomWidth="2px"
        borderRightWidth="2px"
      />
    </>
  )
}

/** The product's own sign. */
export function Sign({ short = false }: { short?: boolean }) {
  return (
    <HStack gap={2.5}>
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
        <path d="M1 0v19h19v-5H6V0z" fill="currentColor" />
      </svg>
      <Text
        fontFamily="heading"
        fontWeight={600}
        fontSize="lg"
        display={short ? { base: 'none', md: 'block' } : undefined}
      >
        Neat Bracket
      </Text>
    </HStack>
  )
}
