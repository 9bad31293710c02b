import { problem } from '../foundation/issues'
import { ok, err, type Result } from '../foundation/result'
import type { Dimension, ReadingShape } from '../foundation/quantity'
import {
  DEAD_ACTS,
  LIVE_ACTS,
  type Action,
  type HandAct,
  type SafetyEffect,
  type Vocabulary,
  type WorkMode,
} from '../evidence'

export interface SafetyNeed {
  id: string
  title: string
  before: 'anything' | 'isolated' | 'energised'
  /** What it brings about; absent where the sheet does not say. */
  does?: SafetyEffect
  /** Where it is proved dead, with its preposition, and between which conductors. */
  at?: string
  between?: (readonly [string, string])[]
  /** It is asked again once the machine has been live. */
  again?: boolean
}

/** One thing that has to hold before a repaired machine is left with its user. */
export interface ProofNeed {
  id: string
  title: string
  /** Why somebody may say that it is not asked of this machine; absent where nobody may. */
  unless?: string
}

/**
 * What must be known of a revision of a sheet to check a job's events and to list its machines, as plain data: made
 * once when the revision is kept, so that no request runs a machine.
 */
/** Form and content of facts: raised when the same sheet gives other tests or names than before. */
export const FACTS_VERSION = 15

export interface SheetFacts {
  /** Which version made them; absent in the first. */
  version?: number
  title: string
  /** What a machine is looked for by: maker, model, family, codes, lamps, complaints. */
  words: string[]
  codes: { code: string; title: string; means: string; lamps?: string }[]
  complaints: { id: string; words: string }[]
  /** What may be said of the days before; absent in facts of before it was asked. */
  circumstances?: string[]
  /** Ids of what a machine may have or not; absent in facts of before it was asked. */
  options?: string[]
  needs: SafetyNeed[]
  /** `proof`: what has to hold after it, before the machine is left; absent in facts of before it was kept; `partNumber` and `price`, in money: of what goes in. */
  repairs: { id: string; title: string; proof?: ProofNeed[]; partNumber?: string; price?: number }[]
  /** The sheet that it extends, where it does: machines of one make. */
  family?: { id: string; title: string }
  /** What its owner does for it; absent in facts of before it was kept. */
  care?: { text: string; every: string; why: string }[]
  /** What is set on it; absent in facts of before it was kept. */
  settings?: { id: string; title: string }[]
  tests: Record<
    string,
    {
      workMode: WorkMode
      shape: ReadingShape
      meters: string[]
      /** What hands do for it. */
      acts: HandAct[]
      /** Whether the machine has its power while it is taken. */
      powered: boolean
    }
  >
  meters: Record<string, { dimension: Dimension; yesNo: boolean }>
  targets: Partial<Record<Action['verb'], string[]>>
  /** What parts that may be bridged are called, by id; absent in facts of before it was kept. */
  bridged?: Record<string, string>
  /** Ends of a free probe, and moments it may be taken at. */
  points: string[]
  moments: string[]
}

const PROBE = /^\s*([\w-]+\.[\w-]+)\s+to\s+([\w-]+\.[\w-]+)(?:\s+at\s+([\w-]+))?\s*$/

/** How a test is written and what work it asks for; `undefined` when there is none by this name and instrument. */
export function findTest(
  facts: SheetFacts,
  test: string,
  instrument: string | undefined,
): { workMode: WorkMode; shape: ReadingShape; acts: readonly HandAct[]; powered: boolean } | undefined {
  const meter = instrument === undefined ? undefined : facts.meters[instrument]
  if (instrument !== undefined && !meter) return undefined
  const listed = Object.hasOwn(facts.tests, test) ? facts.tests[test] : undefined
  const asWritten = (shape: ReadingShape): ReadingShape => (meter?.yesNo ? { type: 'yes-no' } : shape)
  if (listed) {
    if (instrument !== undefined && !listed.meters.includes(instrument)) return undefined
    const { workMode, shape, acts, powered } = listed
    return { workMode, shape: asWritten(shape), acts, powered }
  }
  const probe = PROBE.exec(test)
  const dimension = meter?.dimension ?? 'voltage'
  if (!probe || (dimension !== 'voltage' && dimension !== 'resistance')) return undefined
  const [, a, b, at] = probe
  if (!facts.points.includes(a!) || !facts.points.includes(b!)) return undefined
  if (at !== undefined && !facts.moments.includes(at)) return undefined
  const dead = dimension === 'resistance'
  // Ohms are taken at rest, proved dead; nothing else is taken then.
  if (dead && at !== undefined && at !== 'off') return undefined
  const shape = asWritten({ type: 'number', dimension })
  return dead
    ? { workMode: 'isolated', shape, acts: DEAD_ACTS, powered: false }
    : { workMode: 'energised', shape, acts: LIVE_ACTS, powered: true }
}

/** The names that evidence about this machine may use. */
export const vocabularyFrom = (facts: SheetFacts): Vocabulary => ({
  complaints: facts.complaints.map((c) => c.id),
  circumstances: facts.circumstances ?? [],
  tests: Object.keys(facts.tests),
  instruments: Object.keys(facts.meters),
  shapeOf: (test, instrument) => findTest(facts, test, instrument)?.shape,
  probe: (text, instrument): Result<string> =>
    findTest(facts, text, instrument)
      ? ok(text)
      : err(
          problem('unknown-test', ['probe'], { found: text, expected: 'PART.TERMINAL to PART.TERMINAL [at MOMENT]' }),
        ),
  targets: facts.targets,
})

/**
 * The facts of a sheet whose machines may have something or not: what its own facts name, and what those of the others name
 * besides. A job may be about any of them.
 */
export function factsOfAll(own: SheetFacts, others: readonly SheetFacts[]): SheetFacts {
  const all = [own, ...others]
  const joined = (of: (f: SheetFacts) => readonly string[]) => [...new Set(all.flatMap(of))]
  const verbs = joined((f) => Object.keys(f.targets)) as Action['verb'][]
  return {
    ...own,
    tests: Object.assign({}, ...all.map((f) => f.tests).reverse()) as SheetFacts['tests'],
    targets: Object.fromEntries(verbs.map((verb) => [verb, joined((f) => f.targets[verb] ?? [])])),
    bridged: Object.assign({}, ...all.map((f) => f.bridged).reverse()) as Record<string, string>,
    points: joined((f) => f.points),
    moments: joined((f) => f.moments),
  }
}
