import { createServer, type Server, type Socket } from 'node:net'
import type { Session } from './session'

/** A line longer than this is none, characters. */
const LONGEST = 4096

/** The network socket of one meter: lines in, lines out, one after another. */
export class Line {
  private readonly sockets = new Set<Socket>()
  private readonly server: Server
  /** Answers that are spoilt from now on. */
  private spoilt = 0

  /** @param open a session for each connection */
  constructor(private readonly open: () => Session) {
    this.server = createServer((socket) => this.serve(socket))
  }
  /** @returns the port that it listens on */
  async listen(port: number): Promise<number> {
    await new Promise<void>((resolve, reject) => {
      this.server.once('error', reject)
      this.server.listen(port, '127.0.0.1', resolve)
    })
    const address = this.server.address()
    return typeof address === 'object' && address ? address.port : port
  }
  private serve(socket: Socket): void {
    this.sockets.add(socket)
    const session = this.open()
    let rest = ''
    let before = Promise.resolve()
    socket.setNoDelay(true)
    socket.setEncoding('latin1')
    socket.on('error', () => undefined)
    socket.on('close', () => this.sockets.delete(socket))
    socket.on('data', (text: string) => {
      const lines = (rest + text).split('\n')
      rest = lines.pop()!
      if (rest.length > LONGEST) return void socket.destroy()
      for (const line of lines)
        before = before.then(async () => {
          const answer = await session.hear(line.trim())
          if (answer !== undefined && !socket.destroyed) socket.write(`${this.spoil(answer)}\n`, 'latin1')
        })
    })
  }
  private spoil(answer: string): string {
    if (this.spoilt <= 0) return answer
    this.spoilt--
    return answer.replace(/\d/g, (d) => String.fromCharCode(0xa0 + Number(d))).slice(0, -2)
  }
  /** The next answers come out as nonsense. */
  garble(count: number): void {
    this.spoilt = count
  }
  /** Breaks every connection and takes none for so long, s. */
  async drop(seconds: number): Promise<void> {
    const address = this.server.address()
    const port = typeof address === 'object' && address ? address.port : 0
    await this.close()
    await new Promise((resolve) => setTimeout(resolve, seconds * 1000))
    await this.listen(port)
  }
  async close(): Promise<void> {
    const closed = new Promise<void>((resolve) => this.server.close(() => resolve()))
    for (const socket of this.sockets) socket.destroy()
    await closed
  }
}
