import { OneRecord } from '@/ui/handover/HandOver'

export default async function Page({ params }: { params: Promise<{ deviceId: string }> }) {
  return <OneRecord deviceId={(await params).deviceId} />
}
