import { AddDevice } from '@/ui/device/AddDevice'

export default function Page() {
  return <AddDevice />
}
