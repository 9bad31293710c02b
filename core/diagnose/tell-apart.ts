import type { Fault } from '../model/machine'
import { severityAt, SEVERITY_SAMPLES } from '../model/machine'
import { varianceOf, type Member, type Prediction, type Predictor } from '../predict'
import type { Procedure } from '../procedure'

/** Two predictions are told apart beyond this many combined standard deviations, or senses by this difference of chances. */
const APART = 3
const SENSES_APART = 0.7

/** Whether one reading would tell two predictions apart. */
export function toldApart(a: Prediction, b: Prediction): boolean {
  if (a.is !== b.is) return true
  if (a.is === 'value' && b.is === 'value')
    return Math.abs(a.mean - b.mean) > APART * Math.sqrt(varianceOf(a) + varianceOf(b))
  if (a.is === 'sense' && b.is === 'sense') return Math.abs(a.yes - b.yes) > SENSES_APART
  if (a.is === 'times' && b.is === 'times') return Math.abs(a.clean - b.clean) > SENSES_APART
  if (a.is === 'word' && b.is === 'word') return a.word !== b.word
  return false
}

/** How a fault shows: the complaints it brings, and a test that tells it from a healthy machine. */
export interface Showing {
  fault: Fault
  /** Indices into the sheet's complaints, at any of its severities. */
  complaints: number[]
  /** The first test that tells it from healthy; `undefined` where none does. */
  seenBy: Procedure | undefined
}

/** Faults that no offered test tells apart, though their repairs differ. */
export interface LookAlikes {
  faults: Fault[]
  /** Share of the whole prior. */
  share: number
}

export interface Told {
  showings: Showing[]
  lookAlikes: LookAlikes[]
  /** How many different pictures of readings and complaints the faults give. */
  signatures: number
}

/** The faults of a machine, each against healthy and against each other, at the middle of their severities. */
export function tellApart(predictor: Predictor): Told {
  const { machine, procedures } = predictor.bench
  const { healthy } = predictor
  const members = machine.faults.map((fault): Member[] =>
    SEVERITY_SAMPLES.map((u) =>
      predictor.trial([{ fault, severity: fault.severity && severityAt(fault.severity, u) }]),
    ),
  )
  const middle = members.map((own) => own[Math.floor(own.length / 2)])
  const shown = new Map([healthy, ...middle].map((m) => [m, procedures.map((p) => predictor.screen(m, p))] as const))
  const complaintsOf = (m: Member) => machine.complaints.flatMap((_, k) => (predictor.complains(m, k) ? [k] : []))
  const complaints = members.map((own) => own.map(complaintsOf))
  const told = (a: Member, b: Member): number =>
    procedures.findIndex((_, i) => toldApart(shown.get(a)![i], shown.get(b)![i]))
  const showings = machine.faults.map((fault, i): Showing => ({
    fault,
    complaints: [...new Set(complaints[i].flat())],
    seenBy: procedures[told(middle[i], healthy)],
  }))
  const middleSays = (i: number) => complaints[i][Math.floor(members[i].length / 2)].join()
  const same = (i: number, j: number) => middleSays(i) === middleSays(j) && told(middle[i], middle[j]) < 0
  const group = machine.faults.map((_, i) => i)
  machine.faults.forEach((_, i) => {
    const earlier = machine.faults.slice(0, i).findIndex((_, j) => same(i, j))
    if (earlier >= 0) group[i] = group[earlier]
  })
  const total = machine.faults.reduce((s, f) => s + f.ratePerYear, 0)
  const lookAlikes = [...new Set(group)].flatMap((g): LookAlikes[] => {
    const faults = machine.faults.filter((_, i) => group[i] === g)
    if (new Set(faults.map((f) => f.repair)).size < 2) return []
    return [{ faults, share: faults.reduce((s, f) => s + f.ratePerYear, 0) / total }]
  })
  return { showings, lookAlikes, signatures: new Set(group).size }
}
