import { KeptHere } from '@/ui/kept/KeptHere'

/** What the service worker shows in the place of any page that nobody answers for. */
export default function Page() {
  return <KeptHere />
}
