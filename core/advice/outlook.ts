import type { Hypothesis } from '../diagnosis/hypotheses'
import type { Prediction } from '../diagnosis/predict'
import type { Evidence } from '../evidence'
import type { ReadingValue } from '../foundation/quantity'
import type { Engine } from './engine'

/** What a visit to a machine will probably take along and take, as the evidence stands. */
export interface Outlook {
  /** Minutes of work from here to the machine proved; what parts and call-backs weigh is left out. */
  minutes: number
  /** Of them those until a cause stands: the tests that the advice would ask for. */
  diagnosis: number
  /** What it may end with, likeliest first. */
  needs: { repair: string; title: string; number?: string | undefined; chance: number; price: number }[]
}

/** Nobody packs for less, chance. */
const LEAST_CHANCE = 0.01
/** So many of the likeliest causes are played to their end; the others are taken to be as long. */
const PLAYED = 6
/** No visit goes on for longer, tests. */
const MOST_TESTS = 25

/** What somebody would most probably write down. @param timesWorked how often a switch is worked */
function likeliest(p: Prediction, timesWorked: number): ReadingValue {
  switch (p.type) {
    case 'value':
      return { type: 'value', si: p.mean }
    case 'sense':
      return { type: p.yes >= 0.5 ? 'yes' : 'no' }
    case 'times':
      return { type: 'times', clean: Math.round(p.clean * timesWorked), of: timesWorked }
    case 'never-ended':
      return { type: 'never-ended' }
    case 'never':
      return { type: 'never' }
    default:
      return p
  }
}

/** The likeliest single causes, one way of each, with their weights. */
function causesOf({ posterior, hypotheses }: { posterior: Float64Array; hypotheses: readonly Hypothesis[] }) {
  const byFault = new Map<number, { hypothesis: Hypothesis; p: number; most: number }>()
  hypotheses.forEach((hypothesis, i) => {
    if (hypothesis.activeFaults.length !== 1) return
    const { index } = hypothesis.activeFaults[0].fault
    const own = byFault.get(index) ?? { hypothesis, p: 0, most: 0 }
    own.p += posterior[i]
    if (posterior[i] > own.most) Object.assign(own, { hypothesis, most: posterior[i] })
    byFault.set(index, own)
  })
  return [...byFault.values()].sort((a, b) => b.p - a.p).slice(0, PLAYED)
}

/** Minutes of the tests that the advice asks for one after another where a hypothesis holds, until it asks for none. */
function minutesUnder(engine: Engine, from: readonly Evidence[], hypothesis: Hypothesis): number {
  const { predictor } = engine
  const { timesWorked } = predictor.calibration.plan
  const evidence = [...from]
  let minutes = 0
  for (let n = 0; n < MOST_TESTS; n++) {
    const { plan, interpreted } = engine.advise(evidence, undefined, 0)
    const next = plan.state === 'testing' ? plan.next[0] : undefined
    if (!next) break
    minutes += next.minutes
    for (const procedure of next.strip?.rows ?? [next.procedure]) {
      const shown = predictor.predict(hypothesis, procedure, undefined, interpreted.interventions)
      const value = likeliest(shown, timesWorked)
      evidence.push({ type: 'reading', test: procedure.id, value, instrument: undefined })
    }
  }
  return minutes
}

/**
 * What a visit will probably come to: the advice played out under each of the likeliest causes, with the readings that the cause would
 * most probably give, and the repair that it calls for with its proof. Pairs of faults are not run for it.
 *
 * @param evidence what is known so far
 */
export function outlookOf(engine: Engine, evidence: readonly Evidence[]): Outlook {
  const { machine, predictor } = engine
  const { plan, belief } = engine.advise(evidence, undefined, 0)
  const { prove } = predictor.calibration.plan
  const { repairs } = machine.sheet
  const meanOf = <T>(list: readonly T[], p: (of: T) => number, what: (of: T) => number) => {
    const all = list.reduce((sum, x) => sum + p(x), 0)
    return all > 0 ? list.reduce((sum, x) => sum + p(x) * what(x), 0) / all : 0
  }
  const diagnosis = meanOf(
    causesOf(belief),
    (c) => c.p,
    (c) => minutesUnder(engine, evidence, c.hypothesis),
  )
  const repairing = meanOf(
    plan.remedies,
    (r) => r.p,
    (r) => machine.repairs[r.repair].minutes + prove,
  )
  return {
    minutes: diagnosis + repairing,
    diagnosis,
    needs: plan.remedies
      .filter(
        ({ p, repair }) => p >= LEAST_CHANCE && repairs[repair].licensed === undefined && repairs[repair].price > 0,
      )
      .map(({ p, repair, price }) => {
        const { id, title, notes } = repairs[repair]
        const number = notes.partNumber === undefined ? {} : { number: notes.partNumber }
        return { repair: id, title, ...number, chance: p, price }
      })
      .sort((a, b) => b.chance - a.chance),
  }
}
