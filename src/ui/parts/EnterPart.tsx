import { Text } from '@chakra-ui/react'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'

/** The way to where a part is entered that no list offers. */
export function EnterPart() {
  const { job } = useJob()
  return (
    <Text color="soft" mt={4}>
      The real part is not in the list?{' '}
      <GoLink href={`/jobs/${job.id}/parts/new`}>
        <Text as="span" textDecoration="underline" color="ink">
          Enter it from its maker’s sheet
        </Text>
      </GoLink>
      .
    </Text>
  )
}
