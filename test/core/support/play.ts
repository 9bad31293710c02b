import { advise, type Advice } from '../../../core/advice'
import type { Predictor } from '../../../core/diagnosis/predict'
import type { Evidence } from '../../../core/evidence'
import type { DrawnMachine } from '../../../core/truth'

/** More readings than any call should take. */
const MOST = 30

/**
 * Follows the advice on a machine that really stands there, from what the customer said until the advice says to stop.
 *
 * @param read what is written down for each test
 * @param circumstances what was said of the days before
 */
export function followAdvice(
  predictor: Predictor,
  complaint: string,
  read: (procedure: Parameters<DrawnMachine['read']>[0]) => ReturnType<DrawnMachine['read']>,
  ...circumstances: readonly string[]
): { advice: Advice; evidence: Evidence[] } {
  const evidence: Evidence[] = [
    { type: 'complaint', complaint },
    ...circumstances.map((circumstance): Evidence => ({ type: 'circumstance', circumstance })),
  ]
  for (;;) {
    const advice = advise(predictor, evidence)
    if (advice.plan.stop || evidence.length > MOST) return { advice, evidence }
    const { procedure, strip } = advice.plan.next[0]
    for (const row of strip?.rows ?? [procedure])
      evidence.push({ type: 'reading', test: row.id, value: read(row), instrument: undefined })
  }
}

/** Reads a machine with meters that err and eyes and ears that are not mistaken. */
export const careful =
  (truth: DrawnMachine) =>
  (procedure: Parameters<DrawnMachine['read']>[0]): ReturnType<DrawnMachine['read']> =>
    truth.readSurely(procedure)
