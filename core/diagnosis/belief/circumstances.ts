import { CIRCUMSTANCES, type CircumstanceId } from '../../model/kinds'
import type { Hypothesis } from '../hypotheses'

/** How often something that rests just now is said to come only now and then. */
const RESTING = 0.8

/**
 * Chance that something is said of the days before under a hypothesis, 0 … 1: with two faults, by either of them. What says
 * nothing of it brings it as often as anything does.
 */
export function chanceSaid({ activeFaults }: Hypothesis, said: CircumstanceId): number {
  const { usual } = CIRCUMSTANCES[said]
  const chances = activeFaults.map(({ fault, missProbability }) =>
    said === 'now-and-then' && missProbability !== undefined ? RESTING : (fault.saidWith[said] ?? usual),
  )
  return Math.max(usual, ...chances)
}
