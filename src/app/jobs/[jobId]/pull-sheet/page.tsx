import { PullSheetPage } from '@/ui/pull/PullSheetPage'

export default function Page() {
  return <PullSheetPage />
}
