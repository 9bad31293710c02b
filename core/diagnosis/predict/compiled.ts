import { sparse, type SparseVector } from '../../foundation/linear'
import type { Sense } from '../../model/kinds'
import type { Hypothesis, ThresholdBranch } from '../hypotheses'
import type { Course, Prediction } from './types'

/** A prediction as it is kept; a number that JSON does not know by its name. */
type JsonNumber = number | string
type PackedPrediction =
  | ['value', JsonNumber, JsonNumber, JsonNumber, number[], JsonNumber[]]
  | ['open']
  | ['never', number | null]
  | ['never-ended', JsonNumber]
  | ['sense', JsonNumber, Sense | null, boolean | null]
  | ['word', string]
  | ['times', JsonNumber]
interface PackedCourse {
  phases: [JsonNumber, JsonNumber][]
  arrivals: (JsonNumber | null)[]
  on: (JsonNumber | null)[]
}
type Places = (number | null)[]
interface PackedHypothesis {
  /** See `contentKey`. */
  key: string
  signature: number | null
  branches: ThresholdBranch[] | null
  /** For each complaint of the sheet, whether a customer's run shows it. */
  complaints: boolean[]
  coarse: Places
  whole: Places
  /** By run of the catalogue. */
  courses: Places
}

/**
 * What the first advice on a machine needs of its runs, kept with the revision of its sheet and loaded instead of computed: what a
 * machine comes to under each hypothesis, who complains, and what the tests give. Places are those in the lists beside them.
 */
export interface CompiledPredictions {
  /** Names the form; another one is not read. */
  form: typeof FORM
  /** Ids of the tests that a hypothesis's lists are about. */
  tests: string[]
  signatures: string[]
  predictions: PackedPrediction[]
  courses: PackedCourse[]
  hypotheses: PackedHypothesis[]
}
const FORM = 1

/** Compiled predictions from their text; `undefined` where it is cut off or of another form. */
export function readCompiled(text: string): CompiledPredictions | undefined {
  try {
    const compiled = JSON.parse(text) as CompiledPredictions
    return compiled.form === FORM ? compiled : undefined
  } catch {
    return undefined
  }
}
export const writeCompiled = (compiled: CompiledPredictions): string =>
  JSON.stringify(compiled, (_, value: unknown) =>
    typeof value === 'number' && !Number.isFinite(value) ? String(value) : value,
  )

/** Significant digits kept: what differs beyond them is rounding, and one value is kept for it. */
const DIGITS = 14
const rounded = (x: number): number => Number(x.toPrecision(DIGITS))

/** Digits by which two values are told apart: logarithms and powers end otherwise in the browser than on the server. */
const KEY_DIGITS = 11
const keyOf = (x: number | undefined): string | null => x?.toPrecision(KEY_DIGITS) ?? null

/** What a hypothesis says of the machine, as a text: the same for the same sheet in any run of the program, wherever it runs. */
export const contentKey = ({ activeFaults, shifts }: Pick<Hypothesis, 'activeFaults' | 'shifts'>): string =>
  JSON.stringify([
    activeFaults.map((f) => [f.fault.id, keyOf(f.severity), keyOf(f.missProbability)]),
    shifts.map((s) => [s.param, keyOf(s.by)]),
  ])

/** A list in which each thing stands once. */
class Listed<T> {
  readonly list: T[] = []
  private readonly known = new Map<string, number>()

  placeOf(item: T): number {
    const key = writeCompiled(item as never)
    let at = this.known.get(key)
    if (at === undefined) {
      this.known.set(key, (at = this.list.length))
      this.list.push(item)
    }
    return at
  }
}

/** What is known of one hypothesis when predictions are compiled; `undefined` where nothing is. */
export interface KnownOfHypothesis {
  signature: string | undefined
  branches: readonly ThresholdBranch[] | undefined
  complaints: boolean[]
  coarse: (Prediction | undefined)[]
  whole: (Prediction | undefined)[]
  courses: (Course | undefined)[]
}

/** Packs what is known. @param tests ids, in the order of each hypothesis's lists */
export function packPredictions(
  tests: string[],
  hypotheses: Iterable<readonly [Hypothesis, KnownOfHypothesis]>,
): CompiledPredictions {
  const signatures = new Listed<string>()
  const predictions = new Listed<PackedPrediction>()
  const courses = new Listed<PackedCourse>()
  const pack = (p: Prediction): number => predictions.placeOf(packed(p))
  function packed(p: Prediction): PackedPrediction {
    switch (p.type) {
      case 'value': {
        const { indices, values } = p.sensitivity
        const [mean, reproducibility, repeatability] = [p.mean, p.reproducibility, p.repeatability].map(rounded)
        return ['value', mean, reproducibility, repeatability, [...indices], [...values].map(rounded)]
      }
      case 'open':
        return ['open']
      case 'never':
        return ['never', p.instead ? pack(p.instead) : null]
      case 'never-ended':
        return ['never-ended', rounded(p.seconds)]
      case 'sense':
        return ['sense', rounded(p.yes), p.sense ?? null, p.truth ?? null]
      case 'word':
        return ['word', p.word]
      case 'times':
        return ['times', rounded(p.clean)]
    }
  }
  const packCourse = ({ phases, arrivals, on }: Course): number =>
    courses.placeOf({
      phases: phases.map(({ from, to }) => [rounded(from), rounded(to)]),
      arrivals: arrivals.map((x) => (x === undefined ? null : rounded(x))),
      on: on.map((x) => (x === undefined ? null : rounded(x))),
    })
  const all = <T>(list: readonly (T | undefined)[], place: (item: T) => number) =>
    list.map((item) => (item === undefined ? null : place(item)))
  const rows = [...hypotheses].map(([hypothesis, known]) => ({
    key: contentKey(hypothesis),
    signature: known.signature === undefined ? null : signatures.placeOf(known.signature),
    branches: known.branches ? [...known.branches] : null,
    complaints: known.complaints,
    coarse: all(known.coarse, pack),
    whole: all(known.whole, pack),
    courses: all(known.courses, packCourse),
  }))
  return {
    form: FORM,
    tests,
    signatures: signatures.list,
    predictions: predictions.list,
    courses: courses.list,
    hypotheses: rows,
  }
}

/** Compiled predictions, ready to be asked; what they do not know is `undefined`. */
export class CompiledAnswers {
  private readonly rows: ReadonlyMap<string, PackedHypothesis>
  private readonly columns: ReadonlyMap<string, number>
  private readonly byIndex = new Map<number, PackedHypothesis | undefined>()
  private readonly unpacked: (Prediction | undefined)[] = []
  private readonly coursesMade: (Course | undefined)[] = []

  constructor(private readonly compiled: CompiledPredictions) {
    this.rows = new Map(compiled.hypotheses.map((h) => [h.key, h]))
    this.columns = new Map(compiled.tests.map((id, i) => [id, i]))
  }

  private rowOf(hypothesis: Hypothesis): PackedHypothesis | undefined {
    const { index } = hypothesis
    if (!this.byIndex.has(index)) this.byIndex.set(index, this.rows.get(contentKey(hypothesis)))
    return this.byIndex.get(index)
  }
  signature(hypothesis: Hypothesis): string | undefined {
    const at = this.rowOf(hypothesis)?.signature
    return at === undefined || at === null ? undefined : this.compiled.signatures[at]
  }
  branches(hypothesis: Hypothesis): ThresholdBranch[] | undefined {
    return this.rowOf(hypothesis)?.branches ?? undefined
  }
  showsComplaint(hypothesis: Hypothesis, complaint: number): boolean | undefined {
    return this.rowOf(hypothesis)?.complaints[complaint]
  }
  course(hypothesis: Hypothesis, run: number): Course | undefined {
    const at = this.rowOf(hypothesis)?.courses[run]
    return at === undefined || at === null ? undefined : this.courseAt(at)
  }
  /** @param test id of a test with its usual meter */
  prediction(hypothesis: Hypothesis, test: string, which: 'coarse' | 'whole'): Prediction | undefined {
    const column = this.columns.get(test)
    if (column === undefined) return undefined
    const at = this.rowOf(hypothesis)?.[which][column]
    return at === undefined || at === null ? undefined : this.predictionAt(at)
  }

  private courseAt(at: number): Course | undefined {
    const packed = this.compiled.courses[at]
    return (this.coursesMade[at] ??= packed && {
      phases: packed.phases.map(([from, to]) => ({ from: Number(from), to: Number(to) })),
      arrivals: packed.arrivals.map((x) => (x === null ? undefined : Number(x))),
      on: packed.on.map((x) => (x === null ? undefined : Number(x))),
    })
  }
  private predictionAt(at: number): Prediction | undefined {
    const packed = this.compiled.predictions[at]
    return (this.unpacked[at] ??= packed && this.unpack(packed))
  }
  private unpack(packed: PackedPrediction): Prediction {
    switch (packed[0]) {
      case 'value': {
        const [type, mean, reproducibility, repeatability, indices, values] = packed
        const sensitivity: SparseVector = indices.length
          ? { indices: Uint16Array.from(indices), values: Float64Array.from(values, Number) }
          : NOTHING
        return {
          type,
          mean: Number(mean),
          sensitivity,
          reproducibility: Number(reproducibility),
          repeatability: Number(repeatability),
        }
      }
      case 'open':
        return { type: 'open' }
      case 'never': {
        return { type: 'never', instead: packed[1] === null ? undefined : this.predictionAt(packed[1]) }
      }
      case 'never-ended':
        return { type: 'never-ended', seconds: Number(packed[1]) }
      case 'sense': {
        const [type, yes, sense, truth] = packed
        return {
          type,
          yes: Number(yes),
          ...(sense === null ? {} : { sense }),
          ...(truth === null ? {} : { truth }),
        }
      }
      case 'word':
        return { type: 'word', word: packed[1] }
      case 'times':
        return { type: 'times', clean: Number(packed[1]) }
    }
  }
}
const NOTHING = sparse(new Float64Array(0))
