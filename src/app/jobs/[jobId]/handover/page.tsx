import { HandOver } from '@/ui/handover/HandOver'

export default function Page() {
  return <HandOver />
}
