import 'server-only'

/** Headers for a download with a stable, plain file name: `kestrel-quay-boatyard.job.json`. */
export function attachment(name: string, ending: string): Record<string, string> {
  const plain = name.normalize('NFKD').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, '').slice(0, 60) || 'job'
  return { 'content-disposition': `attachment; filename="${plain}.${ending}"` }
}
