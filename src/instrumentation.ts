/** Runs once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const [{ sweep }, { dataFolder }] = await Promise.all([
    import('./server/photos/store'),
    import('./server/db/open'),
  ])
  sweep(dataFolder(), Date.now())
}
