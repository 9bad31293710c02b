import { findShipped } from '../cli/library'
import { advise, createEngine, factsOf, type Engine } from '../core/advice'
import { dimensionOf } from '../core/diagnosis/catalogue'
import type { Evidence } from '../core/evidence'
import { orThrow } from '../core/foundation/result'
import {
  actsNow,
  apply,
  emptyStanding,
  EVENT_VERSION,
  missingSteps,
  stamped,
  type HandAct,
  type Payload,
} from '../core/job'
import { severityAt } from '../core/model/machine'
import { readSheet } from '../core/model/sheet'
import { DrawnMachine, random } from '../core/truth'
import { formatReading } from '../core/words'
import type { Hands } from './carry-out'

/** A job as the demo world keeps it: times are minutes before the first start. */
export interface SeededJob {
  id: string
  person: string
  /** Minutes to the cause that the engine expected when the call came; absent where nobody reckoned them. */
  expected?: number
  events: {
    id: string
    version: typeof EVENT_VERSION
    minutesAgo: number
    device: string
    ordinal: number
    baseSeq: number
    payload: Payload
  }[]
}

/** What every event of the demo says of where it comes from. */
const FROM = { version: EVENT_VERSION, device: 'demo' } as const

/** No act needs more steps before it. */
const MOST_STEPS = 30

/** Who stands in front of what, and from when on. */
interface Setting {
  engine: Engine
  truth: DrawnMachine
  complaint: string
  person: string
  minutesAgo: number
  nextId: () => string
}

/** A call that is made up: on which machine, with what fault, and who comes. */
export interface MadeUpCall {
  /** The last digits of its id. */
  unit: number
  sheet: string
  fault: string
  person: string
  /** Hours before the first start at which the call came. */
  hoursAgo: number
  words: string
}

/** A machine with this fault at the middle of its severities; the first fault of the sheet that is complained of, where there is none by this name. */
export function brokenBy(sheet: string, name: string, seed: number) {
  const { text, file } = findShipped(sheet)!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const { catalogue } = engine
  const named = catalogue.machine.faults.filter((f) => f.id === name)
  for (const fault of [...named, ...catalogue.machine.faults]) {
    const severity = fault.severity && severityAt(fault.severity, 0.5)
    const truth = new DrawnMachine(catalogue, [{ fault, severity }], random(seed), undefined, 0)
    const complaints = truth.complaints()
    if (complaints.length) {
      if (fault.id !== name) process.stdout.write(`${sheet}: ${fault.id} instead of ${name}\n`)
      return { engine, catalogue, truth, fault, complaint: complaints[0] }
    }
  }
  throw new Error(`No fault of ${sheet} is complained of.`)
}

/** A job that is played as whoever carries it on would enter it. */
export class PlayedJob implements Hands {
  readonly seeded: SeededJob
  readonly evidence: Evidence[]
  minutesAgo: number
  private standing = emptyStanding
  private readonly facts

  constructor(private readonly at: Setting) {
    this.evidence = [{ type: 'complaint', complaint: at.complaint }]
    this.seeded = { id: at.nextId(), person: at.person, events: [] }
    this.minutesAgo = at.minutesAgo
    this.facts = factsOf(at.engine.catalogue)
  }

  put = (payload: Payload, minutes = 2): string => {
    const { events } = this.seeded
    const n = events.length
    const own = { id: this.at.nextId(), ...FROM, minutesAgo: this.minutesAgo, ordinal: n + 1, baseSeq: n, payload }
    const entry = stamped(own, this.facts)
    events.push(entry)
    this.standing = apply(
      this.standing,
      { ...entry, at: this.moment(), seq: n + 1, by: this.at.person },
      () => undefined,
    )
    this.minutesAgo -= minutes
    return entry.id
  }
  makeSafe = (acts: readonly HandAct[]): void => {
    const { person } = this.at
    // One step may bring the next about: what is isolated to clip a meter on has its power given back after it.
    for (let said = 0; said < MOST_STEPS; said++) {
      const [next] = missingSteps(acts, this.facts.needs, this.standing, this.moment(), person)
      if (!next) return
      this.put({ type: 'safety', step: next.id }, 1)
    }
  }
  private moment = (): string => new Date(-this.minutesAgo * 60e3).toISOString()

  /** Takes what the advice asks for, up to so many tests. @returns minutes that the tests took */
  readOn(most: number): number {
    const { engine, truth, person } = this.at
    const { predictor } = engine
    const began = this.minutesAgo
    for (let i = 0; i < most; i++) {
      const next = advise(predictor, this.evidence).plan
      const test = next.state === 'testing' ? next.next[0] : undefined
      if (!test) break
      const readings = test.strip?.rows ?? [test.procedure]
      for (const procedure of readings) {
        // The tips of a column move from row to row: each has steps of its own.
        this.makeSafe(actsNow(this.facts.tests[procedure.id]!, this.standing, person))
        const value = truth.read(procedure)
        this.evidence.push({ type: 'reading', test: procedure.id, value, instrument: undefined })
        const text = formatReading(value, dimensionOf(procedure)).replace('could not take it', 'could not')
        this.put({ type: 'reading', test: procedure.id, text }, Math.max(1, Math.round(test.minutes / readings.length)))
      }
    }
    return began - this.minutesAgo
  }
  /** A repair that is tried and does not do. */
  inVain(repair: string): void {
    this.put({ type: 'action', action: { verb: 'repair', target: repair } }, 30)
    this.evidence.push({ type: 'action', action: { verb: 'repair', target: repair } })
  }
  /** What the advice would do about it. */
  remedy() {
    const { predictor, machine } = this.at.engine
    return machine.sheet.repairs[advise(predictor, this.evidence).plan.remedies[0].repair]
  }
}
