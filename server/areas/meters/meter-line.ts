import { connect, type Socket } from 'node:net'

/** A line of text longer than this is none that a meter sends, characters. */
const LONGEST = 4096
const CONNECTS_WITHIN = 4000

/** Why a line to a meter ended. */
export type LineEnd = 'no-connection' | 'broken' | 'no-answer' | 'nonsense'
export class LineEnded extends Error {
  constructor(readonly why: LineEnd) {
    super(why)
  }
}

interface Waiting {
  take(line: string): void
  fail(error: LineEnded): void
}

/** One open line to a meter: lines out, one answer at a time in. */
export class MeterLine {
  private rest = ''
  private waiting: Waiting | undefined
  private ended: LineEnded | undefined

  private constructor(private readonly socket: Socket) {
    socket.setEncoding('latin1')
    socket.setNoDelay(true)
    socket.setKeepAlive(true, 10_000)
    socket.on('error', () => this.end('broken'))
    socket.on('close', () => this.end('broken'))
    socket.on('data', (text: string) => this.hear(text))
  }

  /** @throws LineEnded when nobody takes the call */
  static open(address: string, port: number): Promise<MeterLine> {
    return new Promise((resolve, reject) => {
      const socket = connect({ host: address, port })
      const fail = () => {
        clearTimeout(timer)
        socket.destroy()
        reject(new LineEnded('no-connection'))
      }
      const timer = setTimeout(fail, CONNECTS_WITHIN)
      socket.once('error', fail)
      socket.once('connect', () => {
        clearTimeout(timer)
        socket.off('error', fail)
        resolve(new MeterLine(socket))
      })
    })
  }
  private hear(text: string): void {
    this.rest += text
    for (let end = this.rest.indexOf('\n'); end >= 0; end = this.rest.indexOf('\n')) {
      const line = this.rest.slice(0, end).replace(/\r$/, '')
      this.rest = this.rest.slice(end + 1)
      // What nobody asked for is nobody's answer.
      const { waiting } = this
      this.waiting = undefined
      waiting?.take(line)
    }
    if (this.rest.length > LONGEST) this.end('nonsense')
  }
  private end(why: LineEnd): void {
    if (this.ended) return
    this.ended = new LineEnded(why)
    this.socket.destroy()
    this.waiting?.fail(this.ended)
    this.waiting = undefined
  }
  say(line: string): void {
    if (!this.ended) this.socket.write(`${line}\n`, 'latin1')
  }
  /** @throws LineEnded where no answer comes in time: a late one must not be taken for that to another question */
  ask(line: string, within: number): Promise<string> {
    if (this.ended) return Promise.reject(this.ended)
    return new Promise((resolve, reject) => {
      const timer = setTimeout(() => this.end('no-answer'), within)
      this.waiting = {
        take: (answer) => (clearTimeout(timer), resolve(answer)),
        fail: (error) => (clearTimeout(timer), reject(error)),
      }
      this.say(line)
    })
  }
  close(): void {
    this.end('broken')
  }
}
