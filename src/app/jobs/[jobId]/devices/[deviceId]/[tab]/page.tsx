import { notFound } from 'next/navigation'
import { DeviceSheet } from '@/ui/device/DeviceSheet'
import { TABS } from '@/ui/device/tabs'

export default async function Page({ params }: { params: Promise<{ deviceId: string; tab: string }> }) {
  const { deviceId, tab } = await params
  const known = TABS.find((name) => name === tab)
  if (!known) notFound()
  return <DeviceSheet deviceId={deviceId} tab={known} />
}
