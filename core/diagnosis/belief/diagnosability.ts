import type { Fault } from '../../model/machine'
import { severityAt, SEVERITY_SAMPLES } from '../../model/machine'
import type { Calibration } from '../calibration'
import type { Hypothesis } from '../hypotheses'
import { varianceOf, type Prediction, type Predictor } from '../predict'
import type { Procedure } from '../catalogue'

/** Whether one reading would tell two predictions apart. */
export function areDistinguishable(a: Prediction, b: Prediction, c: Calibration['belief']): boolean {
  if (a.type !== b.type) return true
  if (a.type === 'value' && b.type === 'value')
    return Math.abs(a.mean - b.mean) > c.distinguishable * Math.sqrt(varianceOf(a) + varianceOf(b))
  if (a.type === 'sense' && b.type === 'sense') return Math.abs(a.yes - b.yes) > c.sensesDistinguishable
  if (a.type === 'times' && b.type === 'times') return Math.abs(a.clean - b.clean) > c.sensesDistinguishable
  if (a.type === 'word' && b.type === 'word') return a.word !== b.word
  return false
}

/** How a fault shows: the complaints it brings, and a test that tells it from a healthy machine. */
export interface Detectability {
  fault: Fault
  /** Indices into the sheet's complaints, at any of its severities. */
  complaints: number[]
  /** The first test that tells it from healthy; `undefined` where none does. */
  detectedBy: Procedure | undefined
}

/** Faults that no offered test tells apart, though their repairs differ. */
export interface AmbiguityGroup {
  faults: Fault[]
  /** Share of the whole prior. */
  share: number
}

export interface Diagnosability {
  detectabilities: Detectability[]
  ambiguityGroups: AmbiguityGroup[]
  /** How many different pictures of readings and complaints the faults give. */
  signatures: number
}

/** The faults of a machine, each against healthy and against each other, at the middle of their severities. */
export function analyseDiagnosability(predictor: Predictor): Diagnosability {
  const { machine, procedures } = predictor.catalogue
  const { healthy } = predictor
  const hypotheses = machine.faults.map((fault): Hypothesis[] =>
    SEVERITY_SAMPLES.map((u) =>
      predictor.hypothesisFor([{ fault, severity: fault.severity && severityAt(fault.severity, u) }]),
    ),
  )
  const middle = hypotheses.map((own) => own[Math.floor(own.length / 2)])
  const shown = new Map(
    [healthy, ...middle].map((m) => [m, procedures.map((p) => predictor.predictCoarse(m, p))] as const),
  )
  const complaintsOf = (m: Hypothesis) =>
    machine.complaints.flatMap((_, k) => (predictor.showsComplaint(m, k) ? [k] : []))
  const complaints = hypotheses.map((own) => own.map(complaintsOf))
  const told = (a: Hypothesis, b: Hypothesis): number =>
    procedures.findIndex((_, i) => areDistinguishable(shown.get(a)![i], shown.get(b)![i], predictor.calibration.belief))
  const showings = machine.faults.map((fault, i): Detectability => ({
    fault,
    complaints: [...new Set(complaints[i].flat())],
    detectedBy: procedures[told(middle[i], healthy)],
  }))
  const middleSays = (i: number) => complaints[i][Math.floor(hypotheses[i].length / 2)].join()
  const same = (i: number, j: number) => middleSays(i) === middleSays(j) && told(middle[i], middle[j]) < 0
  const group = machine.faults.map((_, i) => i)
  machine.faults.forEach((_, i) => {
    const earlier = machine.faults.slice(0, i).findIndex((_, j) => same(i, j))
    if (earlier >= 0) group[i] = group[earlier]
  })
  const total = machine.faults.reduce((s, f) => s + f.ratePerYear, 0)
  const lookAlikes = [...new Set(group)].flatMap((g): AmbiguityGroup[] => {
    const faults = machine.faults.filter((_, i) => group[i] === g)
    if (new Set(faults.map((f) => f.repair)).size < 2) return []
    return [{ faults, share: faults.reduce((s, f) => s + f.ratePerYear, 0) / total }]
  })
  return { detectabilities: showings, ambiguityGroups: lookAlikes, signatures: new Set(group).size }
}
