import { PlanPage } from '@/ui/plan/PlanPage'

export default async function Page({ searchParams }: { searchParams: Promise<{ device?: string | string[] }> }) {
  const { device } = await searchParams
  return <PlanPage deviceId={typeof device === 'string' ? device : null} />
}
