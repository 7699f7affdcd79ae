import { expect, type APIRequestContext } from '@playwright/test'
import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'

/** Starts a server of its own on a data folder and waits until it answers. */
export async function start(folder: string, port: number, request: APIRequestContext): Promise<ChildProcess> {
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(port)], {
    env: { ...process.env, NEAT_BRACKET_DATA: folder },
    stdio: 'ignore',
    detached: true,
  })
  await expect
    .poll(async () => (await request.get(`http://localhost:${port}/api/jobs`).catch(() => null))?.status(), {
      timeout: 30_000,
    })
    .toBe(200)
  return server
}
export const kill = ({ pid, exitCode, signalCode }: ChildProcess) =>
  exitCode === null && signalCode === null && process.kill(-pid!, 'SIGKILL')

/** A job of this test alone: the boatyard's demo job under another id, with the same ids in it. */
export async function ownBoatyard(request: APIRequestContext, base = ''): Promise<string> {
  const answer = await request.post(`${base}/api/import?as=copy`, {
    data: readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'),
    headers: { 'content-type': 'application/json' },
  })
  return ((await answer.json()) as { jobId: string }).jobId
}
