import { FaultPage } from '@/ui/punch/FaultPage'

export default async function Page({ params }: { params: Promise<{ faultId: string }> }) {
  return <FaultPage faultId={(await params).faultId} />
}
