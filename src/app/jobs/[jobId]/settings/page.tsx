import { JobSettings } from '@/ui/settings/JobSettings'

export default function Page() {
  return <JobSettings />
}
