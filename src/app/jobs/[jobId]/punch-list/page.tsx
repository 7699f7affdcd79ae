import { PunchList } from '@/ui/punch/PunchList'

export default function Page() {
  return <PunchList />
}
