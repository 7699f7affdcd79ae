/** What a label that was read leads to. */
export type Read =
  | { readonly href: string }
  /** It is of a job that another page shows. */
  | { readonly job: string; readonly href: string }
  | { readonly says: string }

interface Known {
  readonly jobId: string
  /** Everything with a mark, and where it is. */
  readonly marked: readonly { readonly mark: string; readonly href: string }[]
}

/** Where the page of a marked thing stands, whatever machine the label was printed at. */
const ADDRESS = /\/jobs\/([^/?#]+)(\/(?:devices\/[^/?#]+\/[a-z-]+|equipment\/[^/?#]+|runs\/[^/?#]+))/

/** Reads the words of a label: the address of a thing of some job, or a mark of this one. */
export function readLabel(words: string, { jobId, marked }: Known): Read {
  const address = ADDRESS.exec(words)
  if (address) {
    const [, job, way] = address
    const href = `/jobs/${job}${way}`
    return decodeURIComponent(job!) === jobId ? { href } : { job: job!, href }
  }
  const mark = words.trim().toLowerCase()
  const found = marked.find((one) => one.mark.toLowerCase() === mark)
  return found ?? { says: `It says “${words.trim().slice(0, 60)}”: nothing here has that mark.` }
}
