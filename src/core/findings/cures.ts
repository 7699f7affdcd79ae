import type { Finding, Verdict } from './finding'

const GRAVITY: Record<Verdict, number> = { good: 0, check: 1, stop: 2 }

/**
 * Whether a change does what advice promises: the finding is gone, or good, and no trouble has come or
 * grown. Advice is given only of changes that pass this, with the findings before and after the change.
 */
export function cures(id: string, before: readonly Finding[], after: readonly Finding[]): boolean {
  const was = new Map(before.map((finding) => [finding.id, GRAVITY[finding.verdict]]))
  return after.every((finding) => {
    if (finding.verdict === 'good') return true
    return finding.id !== id && GRAVITY[finding.verdict] <= (was.get(finding.id) ?? 0)
  })
}
