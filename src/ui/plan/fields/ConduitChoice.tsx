'use client'

import { useCatalogue } from '../../job/JobProvider'
import { Choose } from '../../kit/Choose'

/** Which conduit or duct of the catalogue a pathway is. */
export function ConduitChoice({
  conduitId,
  onChoose,
}: {
  conduitId: string | null
  onChoose: (conduitId: string | null) => void
}) {
  const { conduits } = useCatalogue()
  const known = [...conduits.values()].map(({ id, name }) => ({ value: id, label: name }))
  return (
    <Choose
      label="Conduit"
      value={conduitId ?? ''}
      options={[{ value: '', label: 'Size not known' }, ...known]}
      onChoose={(to) => onChoose(to === '' ? null : to)}
    />
  )
}
