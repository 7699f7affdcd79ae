import 'server-only'

/** A stable, plain file name: `kestrel-quay-boatyard.job.json`. */
export function plainName(name: string, ending: string): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'job'
  return `${plain}.${ending}`
}

/** Headers for a download under that name. */
export const attachment = (name: string, ending: string): Record<string, string> => ({
  'content-disposition': `attachment; filename="${plainName(name, ending)}"`,
})
