import { setTimeout as sleep } from 'node:timers/promises'
import { v7 as uuidv7 } from 'uuid'
import {
  NEXT_ERROR,
  openingLines,
  READ,
  readAnswer,
  readError,
  shownText,
  type MeterReads,
} from '../../../core/metering'
import type { LinkState, MeterReading } from '../../../shared/contracts/meters'
import { resolveHost } from './addresses'
import { LineEnded, MeterLine } from './meter-line'
import { ownMeter } from './repository'

/** How long a meter may think, ms: a change of range, or a slow integration. */
const THINKS = 6000
/** Readings are not asked for faster than this, ms. */
const EVERY = 50
/** So many readings are kept for whoever was away for a moment. */
const KEPT = 6000
/** After the last one has left it is held so long, ms: a page that comes back finds nothing missing. */
const HELD = 45_000
/** A line that broke is opened again after this, growing, ms. */
const AGAIN = { first: 500, most: 8000 }
/** So much nonsense in a row, and the line is opened anew. */
const NONSENSE = 5

export type LinkNews =
  | { type: 'reading'; reading: MeterReading }
  | { type: 'state'; state: LinkState }
  | { type: 'nonsense'; text: string }
  /** The line is given up: whoever still looks asks anew. */
  | { type: 'over' }
type Hears = (news: LinkNews) => void

class Refused extends Error {}

/** The line to one meter, shared by all who look at it in this process. */
export class MeterLink {
  readonly id = uuidv7()
  state: LinkState
  private readonly hearers = new Set<Hears>()
  private readonly kept: MeterReading[] = []
  private readonly begun = performance.now()
  private n = 0
  private line: MeterLine | undefined
  private over = false
  private wake: AbortController | undefined
  private configured = false
  private leaving: ReturnType<typeof setTimeout> | undefined

  /** @param ended called when nobody has looked for a while */
  constructor(
    private readonly meter: { id: string; host: string; port: number },
    reads: MeterReads,
    range: number,
    private readonly ended: () => void,
  ) {
    this.state = { is: 'connecting', reads, range }
    void this.live()
  }
  private tell(news: LinkNews): void {
    for (const hears of this.hearers) hears(news)
  }
  private becomes(state: Partial<LinkState>): void {
    const { reads, range } = this.state
    this.state = { is: 'connecting', reads, range, ...state }
    this.tell({ type: 'state', state: this.state })
  }
  /**
   * Hears readings from now on, and before that those after the `n`-th.
   *
   * @returns how to stop hearing
   */
  hear(hears: Hears, after: number): () => void {
    clearTimeout(this.leaving)
    hears({ type: 'state', state: this.state })
    for (const reading of this.kept) if (reading.n > after) hears({ type: 'reading', reading })
    this.hearers.add(hears)
    return () => {
      this.hearers.delete(hears)
      if (!this.hearers.size) this.leaving = setTimeout(() => this.end(), HELD)
    }
  }
  /** Sets what is read; the next reading is of it. */
  set(reads: MeterReads, range: number): void {
    if (this.state.reads === reads && this.state.range === range) return
    this.configured = false
    // What was read before is of something else.
    this.kept.length = 0
    this.state = { ...this.state, reads, range }
    this.tell({ type: 'state', state: this.state })
    // One that it refused is given another chance at once.
    this.wake?.abort()
  }
  end(): void {
    if (this.over) return
    this.over = true
    clearTimeout(this.leaving)
    this.line?.close()
    this.wake?.abort()
    this.tell({ type: 'over' })
    this.ended()
  }

  private async live(): Promise<void> {
    let wait = AGAIN.first
    while (!this.over) {
      let release: (() => void) | undefined
      try {
        release = await ownMeter(this.meter.id, () => this.line?.close())
        if (release) {
          await this.follow(() => (wait = AGAIN.first))
          continue
        }
        this.becomes({ is: 'lost', why: 'taken' })
      } catch (error) {
        if (this.over) return
        if (error instanceof Refused) this.becomes({ is: 'lost', why: 'refused', text: error.message })
        else if (error instanceof LineEnded) this.becomes({ is: 'lost', why: error.why })
        else if (error instanceof HostRefused) this.becomes({ is: 'lost', why: error.why })
        else this.becomes({ is: 'lost', why: 'database-away' })
      } finally {
        this.line?.close()
        this.line = undefined
        release?.()
      }
      this.wake = new AbortController()
      await sleep(wait, undefined, { signal: this.wake.signal, ref: false }).catch(() => undefined)
      wait = Math.min(AGAIN.most, 2 * wait)
    }
  }
  /** Opens the line and reads until it ends. @param stands called once readings come */
  private async follow(stands: () => void): Promise<void> {
    const host = await resolveHost(this.meter.host)
    if (!host.ok) throw new HostRefused(host.why)
    const line = (this.line = await MeterLine.open(host.address, this.meter.port))
    const name = shownText(await line.ask(openingLines(this.state.reads).ask[0]!, THINKS))
    this.configured = false
    let strange = 0
    while (!this.over) {
      if (!this.configured) await this.configure(line, name)
      const asked = performance.now()
      const { reads, range } = this.state
      const answer = readAnswer(await line.ask(READ, THINKS))
      // It was set to something else meanwhile: this is of before.
      if (reads !== this.state.reads || range !== this.state.range) continue
      if (answer.type === 'nonsense') {
        this.tell({ type: 'nonsense', text: answer.text })
        if (++strange >= NONSENSE) throw new LineEnded('nonsense')
      } else {
        strange = 0
        stands()
        this.reads(answer.si)
      }
      await sleep(Math.max(0, EVERY - (performance.now() - asked)))
    }
  }
  private async configure(line: MeterLine, name: string): Promise<void> {
    const { reads, range } = this.state
    for (const said of openingLines(reads, range).say) line.say(said)
    const error = readError(await line.ask(NEXT_ERROR, THINKS))
    if (error !== undefined) throw new Refused(error)
    if (reads !== this.state.reads || range !== this.state.range) return
    this.configured = true
    this.becomes({ is: 'open', name })
  }
  private reads(si: number): void {
    const reading: MeterReading = {
      link: this.id,
      n: ++this.n,
      at: Math.round(performance.now() - this.begun),
      si: Number.isFinite(si) ? si : null,
    }
    this.kept.push(reading)
    if (this.kept.length > KEPT) this.kept.splice(0, this.kept.length - KEPT)
    this.tell({ type: 'reading', reading })
  }
}

class HostRefused extends Error {
  constructor(readonly why: 'not-found' | 'address-refused') {
    super(why)
  }
}
