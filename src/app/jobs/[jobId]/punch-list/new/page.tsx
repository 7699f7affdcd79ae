import { NewFault } from '@/ui/punch/NewFault'

export default function Page() {
  return <NewFault />
}
