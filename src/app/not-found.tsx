import { StillHere } from '@/ui/kept/StillHere'
import { Missing } from '@/ui/kit/Missing'

export default function NotFound() {
  return (
    <>
      <Missing />
      <StillHere />
    </>
  )
}
