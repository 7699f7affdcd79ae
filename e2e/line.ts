import { createServer, request as ask, type Server } from 'node:http'
import type { AddressInfo, Socket } from 'node:net'

/**
 * The line between a browser and a server: it can be dead, as where there is no signal or no server, it can
 * lead to another server, and it counts what passes.
 */
export class Line {
  private readonly sockets = new Set<Socket>()
  private dead = false
  /** Put at the end of the service worker: another version of the application. */
  private version = ''
  /** Bytes of photos that have gone up, and after how many of them the line breaks, again and again. */
  upBytes = 0
  private breaksAfter = Infinity
  private sinceBreak = 0
  /** Requests that came through, as "POST /api/commands". */
  readonly passed: string[] = []

  private constructor(
    private readonly server: Server,
    private port: number,
  ) {}

  static async to(port: number): Promise<Line> {
    const server = createServer()
    const line = new Line(server, port)
    server.on('connection', (socket) => {
      line.sockets.add(socket)
      socket.on('close', () => line.sockets.delete(socket))
      if (line.dead) socket.destroy()
    })
    server.on('request', (from, to) => {
      const { method, url } = from
      const another = line.version && url === '/service.worker.js'
      const headers = another ? { host: from.headers.host } : from.headers // neither packed nor "not modified"
      const onward = ask(
        { port: line.port, host: '127.0.0.1', method, path: url, headers, agent: false },
        (answer) => {
          line.passed.push(`${method} ${url?.split('?')[0]}`)
          if (another) delete answer.headers['content-length']
          to.writeHead(answer.statusCode!, answer.headers)
          if (another) answer.on('end', () => to.end(`\n// ${line.version}`))
          answer.pipe(to, { end: !another })
        },
      )
      if (method === 'PUT') from.on('data', (part: Buffer) => line.carried(part.length))
      onward.on('error', () => from.socket.destroy())
      to.on('close', () => onward.destroy())
      from.pipe(onward)
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    return line
  }

  get base(): string {
    return `http://localhost:${(this.server.address() as AddressInfo).port}`
  }
  cut(): void {
    this.dead = true
    for (const socket of this.sockets) socket.destroy()
  }
  mend(port = this.port): void {
    this.dead = false
    this.port = port
  }
  /** It breaks whenever so many bytes of photos have gone up since it last did. */
  breakEvery(bytes: number): void {
    this.breaksAfter = bytes
  }
  private carried(bytes: number): void {
    this.upBytes += bytes
    this.sinceBreak += bytes
    if (this.sinceBreak < this.breaksAfter) return
    this.sinceBreak = 0
    for (const socket of this.sockets) socket.destroy()
  }
  /** The server brings another version of the application from now on. */
  update(version: string): void {
    this.version = version
  }
  async end(): Promise<void> {
    this.cut()
    await new Promise((resolve) => this.server.close(resolve))
  }
}
