import { Text } from '@chakra-ui/react'
import { notLookingWords, type Apart } from '@/core/sight'

/** Whose cameras are not known to see this floor or not, and why. */
export const NotLooking = ({ apart }: { apart: readonly Apart[] }) =>
  apart.map((one) => (
    <Text key={one.floor} color="soft" fontSize="sm">
      Not judged. {notLookingWords(one)}
    </Text>
  ))
