import type { Evidence } from '../core/evidence'
import { advise } from '../core/advice'
import { warmUp, type Predictor } from '../core/diagnosis/predict'
import { normal, random, weighted } from '../core/truth'

const STEPS = 8

export const timed = <T>(work: () => T): [number, T] => {
  const t = performance.now()
  const out = work()
  return [performance.now() - t, out]
}
/** Quantile of a list, by rank. */
export const quantile = (list: readonly number[], q: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]

/** Jobs with readings from the engine's own predictions: what is timed here is the advice, not its truth. */
export function timeJobs(
  p: Predictor,
  jobs: number,
  seed: number,
): { quick: number[]; settled: number[]; trail: unknown[] } {
  const next = random(seed)
  const [quick, settled, trail]: [number[], number[], unknown[]] = [[], [], []]
  const { machine } = p.catalogue
  for (let j = 0; j < jobs; j++) {
    const truth = weighted(
      next,
      p.hypotheses.filter((m) => m.activeFaults.length === 1),
      (m) => m.priorWeight,
    )
    const complaint = machine.sheet.complaints.findIndex((_, k) => p.showsComplaint(truth, k))
    if (complaint < 0) continue
    // What the page does in the background while somebody fetches a meter.
    if (j === 0) for (const _ of warmUp(p));
    const evidence: Evidence[] = [{ type: 'complaint', complaint: machine.sheet.complaints[complaint].id }]
    for (let step = 0; step < STEPS; step++) {
      const advice = advise(p, evidence)
      const choice = advice.plan.next[0]?.procedure
      if (advice.plan.stop || !choice) break
      const shown = p.predict(truth, choice)
      const value: (Evidence & { type: 'reading' })['value'] =
        shown.type === 'value'
          ? { type: 'value', si: Math.max(0, shown.mean + shown.reproducibility * normal(next)) }
          : shown.type === 'sense'
            ? { type: next() < shown.yes ? 'yes' : 'no' }
            : shown.type === 'times'
              ? { type: 'times', clean: Math.round(10 * shown.clean), of: 10 }
              : shown
      evidence.push({ type: 'reading', test: choice.id, value, instrument: undefined })
      quick.push(timed(() => advise(p, evidence, 'best', 0))[0])
      const [ms, a] = timed(() => advise(p, evidence))
      settled.push(ms)
      trail.push([choice.id, a.suspects[0].faults.map((f) => f.id), a.suspects[0].p])
    }
  }
  return { quick, settled, trail }
}

/** From a sheet that is read to advice on its first complaint, quick as the page asks for it first; ms. */
export function timeCold(open: () => Predictor): { ms: number; predictor: Predictor } {
  const [opening, predictor] = timed(open)
  const [complaint] = predictor.catalogue.machine.sheet.complaints
  const [advising] = timed(() => advise(predictor, [{ type: 'complaint', complaint: complaint.id }], 'best', 0))
  return { ms: opening + advising, predictor }
}

/** Every listed test under every suspect, ms. */
export const timeTable = (p: Predictor): number =>
  timed(() =>
    p.catalogue.procedures.forEach((procedure) => p.hypotheses.forEach((m) => p.predictCoarse(m, procedure))),
  )[0]
