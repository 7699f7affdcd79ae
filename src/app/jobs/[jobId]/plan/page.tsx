import { PlanPage } from '@/ui/plan/PlanPage'

export default function Page() {
  return <PlanPage />
}
