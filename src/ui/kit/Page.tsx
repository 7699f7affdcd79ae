import { Box, Heading, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'

/** A view opens with one plain sentence that says how things stand, and one that says what to do next. */
export function Sentence({ children, next }: { children: ReactNode; next?: ReactNode }) {
  return (
    <Box mb={5}>
      <Heading as="h1" fontSize={{ base: 'xl', md: '2xl' }} lineHeight={1.2}>
        {children}
      </Heading>
      {next ? (
        <Text color="soft" mt={1}>
          {next}
        </Text>
      ) : null}
    </Box>
  )
}

/** A ruled heading of a part of a page. */
export function Part({ title, children, aside }: { title: string; children: ReactNode; aside?: ReactNode }) {
  return (
    <Box as="section" mb={7}>
      <Box
        display="flex"
        justifyContent="space-between"
        alignItems="baseline"
        gap={3}
        borderBottomWidth="1.5px"
        borderColor="ink"
        pb={1}
        mb={2}
      >
        <Heading as="h2" fontSize="md">
          {title}
        </Heading>
        {aside}
      </Box>
      {children}
    </Box>
  )
}

/** A state with nothing in it: why, and what to do. */
export function Nothing({ children, action }: { children: ReactNode; action?: ReactNode }) {
  return (
    <Box borderWidth="1px" borderStyle="dashed" borderColor="rule" p={6}>
      <Text color="soft">{children}</Text>
      {action ? <Box mt={3}>{action}</Box> : null}
    </Box>
  )
}

/** What is computed, beside what it is computed from; below it where there is no room. */
export function Beside({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      as="aside"
      aria-label="What comes out of it"
      bg="sheet"
      borderLeftWidth={{ xl: '1px' }}
      borderTopWidth={{ base: '1px', xl: 0 }}
      borderColor="rule"
      px={5}
      py={4}
    >
      <Heading as="h2" fontSize="md" mb={1}>
        {title}
      </Heading>
      {children}
    </Box>
  )
}

/** Why a whole form was refused; nothing while it was not. */
export const Refusal = ({ children }: { children: string | null }) =>
  children === null ? null : (
    <Text role="alert" color="stop" mt={3}>
      {children}
    </Text>
  )
