import { Box, Flex } from '@chakra-ui/react'
import NextLink from 'next/link'
import type { ReactNode } from 'react'
import { ThemeSwitch } from './ThemeSwitch'
import { Sign } from './Verdict'

/** The frame of what stands outside every job. */
export function Frame({ children, home = true }: { children: ReactNode; home?: boolean }) {
  return (
    <>
      <Flex
        as="header"
        borderBottomWidth="2px"
        borderColor="ink"
        px={{ base: 3, md: 5 }}
        py={2}
        align="center"
        justify="space-between"
      >
        {home ? (
          <NextLink
            href="/"
            aria-label="Neat Bracket: all jobs"
            style={{ minHeight: 48, display: 'flex', alignItems: 'center' }}
          >
            <Sign />
          </NextLink>
        ) : (
          <Sign />
        )}
        <ThemeSwitch />
      </Flex>
      <Box as="main" px={{ base: 3, md: 5 }} py={5} maxW="1000px">
        {children}
      </Box>
    </>
  )
}
