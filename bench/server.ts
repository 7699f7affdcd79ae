import { spawn } from 'node:child_process'
import { RECORD_VERSION, type Job } from '@/core/job'

/** The built application on a port of its own, with its record in a folder; answers once it is there. */
export async function served(folder: string, port: number) {
  const child = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(port)], {
    env: { ...process.env, NEAT_BRACKET_DATA: folder },
    stdio: 'ignore',
    detached: true,
  })
  const base = `http://localhost:${port}`
  for (let i = 0; i < 200; i++) {
    const there = await fetch(`${base}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    )
    if (there) break
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return { base, stop: () => void process.kill(-child.pid!, 'SIGKILL') }
}

/** Posts JSON, and throws what is answered where it is refused. */
export async function post(url: string, body: string): Promise<Response> {
  const response = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  })
  if (!response.ok) throw new Error(`${response.status} ${(await response.text()).slice(0, 300)}`)
  return response
}

/** A job by itself, without its pictures; its id there. */
export async function imported(base: string, job: Job): Promise<string> {
  const file = {
    format: 'neat-bracket-job',
    version: RECORD_VERSION,
    job: { ...job, backgrounds: [], photos: [] },
    photos: [],
  }
  const answer = await post(`${base}/api/import?as=copy`, JSON.stringify(file))
  return ((await answer.json()) as { jobId: string }).jobId
}
