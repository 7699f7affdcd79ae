'use client'

import { SIZED_FORMS, type SizedForm } from '@/core/job'
import { formOf } from '@/core/route'
import { useCatalogue } from '../../job/JobProvider'
import { Choose } from '../../kit/Choose'

/** Which conduit, duct or trunking of the catalogue a pathway is. */
export function ConduitChoice({
  form,
  conduitId,
  onChoose,
}: {
  form: SizedForm
  conduitId: string | null
  onChoose: (conduitId: string | null) => void
}) {
  const { conduits } = useCatalogue()
  const known = [...conduits.values()].flatMap((one) =>
    formOf(one) === form ? [{ value: one.id, label: one.name }] : [],
  )
  return (
    <Choose
      label={SIZED_FORMS[form]}
      value={conduitId ?? ''}
      options={[{ value: '', label: 'Size not known' }, ...known]}
      onChoose={(to) => onChoose(to === '' ? null : to)}
    />
  )
}
