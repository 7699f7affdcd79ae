import { keyWords, type Action } from './actions'

/** What an action does, and the key for it. */
export const ActionWords = ({ action: { label, key } }: { action: Action }) => (
  <>
    {label}
    {key === undefined ? null : <span aria-hidden>{keyWords(key)}</span>}
  </>
)
