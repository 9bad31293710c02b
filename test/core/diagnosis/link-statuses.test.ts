import { expect, it } from 'vitest'
import { STANDARD } from '../../../core/diagnosis/calibration'
import { linkStatuses, type Belief } from '../../../core/diagnosis/belief'
import type { Predictor } from '../../../core/diagnosis/predict'

/** A machine of one part, whose fault acts with one probability and only rests just now with another. */
function stateWith(acts: number, rests: number) {
  const fault = { part: 0 }
  const hypotheses = [
    { activeFaults: [], priorWeight: 1 },
    { activeFaults: [{ fault }], priorWeight: 0.1 },
    { activeFaults: [{ fault, missProbability: 0.5 }], priorWeight: 0.1 },
  ]
  const belief = { hypotheses, posterior: [1 - acts - rests, acts, rests], logLikelihoods: [0, -6, -1] }
  const predictor = { catalogue: { machine: { parts: [{ index: 0 }] } }, calibration: STANDARD }
  return linkStatuses(predictor as unknown as Predictor, belief as unknown as Belief, [], new Set([0]))[0]!.state
}

it('a link is proven only where its faults, those that rest just now counted in, are too unlikely to be named', () => {
  const { provenBelow, restingFrom } = STANDARD.belief
  expect(stateWith(provenBelow / 4, provenBelow / 4)).toBe('proven')
  expect(stateWith(provenBelow / 4, provenBelow)).toBe('suspect')
  expect(stateWith(provenBelow * 2, 0)).toBe('suspect')
  expect(stateWith(provenBelow / 4, restingFrom)).toBe('intermittent')
})
