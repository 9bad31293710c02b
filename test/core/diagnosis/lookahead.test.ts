import { describe, expect, it } from 'vitest'
import { STANDARD } from '../../../core/diagnosis/calibration'
import { RepairCosts, lookAhead, type DecisionTable } from '../../../core/diagnosis/plan'
import { achieved, cutMachine, optimum } from '../../../benchmark/optimum'
import { random } from '../../../core/truth'
import { findShipped } from '../../../cli/library'
import { freshPredictorOf } from '../support/sheets'

/** Of its own: pairs that another test has had made would leave too few faults to cut a machine from. */
const washer = freshPredictorOf(findShipped('orrisk-tl40')!.text)

describe('looking ahead', () => {
  const dear = (...repair: number[]) => new RepairCosts(Float64Array.from(repair), new Float64Array(repair.length))
  it('a part fitted in vain costs more than its work, and something else is worth finding out', () => {
    const costs = new RepairCosts(Float64Array.from([40, 20]), Float64Array.from([30, 0]))
    // 0.6/70 is less than 0.4/20: the cheap one first, then the other for those who still need it.
    expect(costs.toGo([[0], [1]], [0.6, 0.4], 0)).toBeCloseTo(20 + 0.6 * 40, 9)
    // One listed cause at 0.9, something else at 0.1: a test that tells them apart saves the part in vain.
    const table: DecisionTable = {
      costs,
      requiredRepairs: [[0], []],
      unknownFault: 1,
      outcomes: [certain(0, 1)],
      minutes: [Float64Array.from([1]), Float64Array.from([1])],
    }
    const [found] = lookAhead(table, Float64Array.from([0.9, 0.1]))
    expect(found.saving).toBeCloseTo(0.1 * (40 + 30), 9)
  })
  const certain = (...shows: number[]) =>
    [...new Set(shows)].map((k) => Float64Array.from(shows, (s) => (s === k ? 1 : 0)))
  it('a test saves what it spares by itself, and one that tells nothing is not tried', () => {
    // Two causes of 100 min each; test 0 shows the same under both.
    const table: DecisionTable = {
      costs: dear(100, 100),
      requiredRepairs: [[0], [1]],
      unknownFault: -1,
      outcomes: [certain(0, 0), certain(0, 1)],
      minutes: [Float64Array.from([5, 60]), Float64Array.from([5, 5]), Float64Array.from([5, 60])],
    }
    // Without a test 100 + ½·100 min, with it 100.
    expect(lookAhead(table, Float64Array.from([0.5, 0.5]))).toEqual([{ test: 1, saving: 50 }])
  })
  it('counts in what follows: a test that opens the way saves more than its own outcomes', () => {
    // Test 0 parts {0,1} from {2,3}; only then test 1 is cheap enough to part 0 from 1.
    const table: DecisionTable = {
      costs: dear(50, 50, 1, 1),
      requiredRepairs: [[0], [1], [2], [3]],
      unknownFault: -1,
      outcomes: [certain(0, 0, 1, 1), certain(0, 1, 2, 2)],
      minutes: [Float64Array.from([2, 30]), Float64Array.from([2, 3]), Float64Array.from([2, 3])],
    }
    const p = Float64Array.from([0.25, 0.25, 0.25, 0.25])
    const [best] = lookAhead(table, p)
    // After test 0: half the time 3 min more and then 50; half the time 1 and 1.5 on average.
    expect(best.test).toBe(0)
    const now = 1 + 0.75 + 50 * 0.5 + 50 * 0.25
    expect(best.saving).toBeCloseTo(now - (0.5 * (3 + 50) + 0.5 * 1.5), 9)
  })
  it('two tests that tell only together what to do are worth taking, though neither saves anything by itself', () => {
    // Three repairs of equal odds and cost, in vain alike: each test clears one, and what is done first stays the same.
    const table: DecisionTable = {
      costs: dear(50, 50, 50),
      requiredRepairs: [[0], [1], [2]],
      unknownFault: -1,
      outcomes: [certain(0, 1, 0), certain(0, 0, 1)],
      minutes: [Float64Array.from([30, 30]), Float64Array.from([30, 2]), Float64Array.from([2, 30])],
    }
    const p = Float64Array.from([0.6, 0.2, 0.2])
    const together = lookAhead(table, p, STANDARD.plan, [0, 1])
    expect(together).toHaveLength(2)
    // 50 + 0.4·50 + 0.2·50 without; after both 50, and the second is taken only where it may still tell.
    for (const { saving } of together) expect(saving).toBeGreaterThan(20)
  })
  it('comes within a few parts in a hundred of the best plan there is, and never below it', () => {
    const next = random(7)
    for (let i = 0; i < 6; i++) {
      const cut = cutMachine(washer, next)
      const ratio = achieved(cut) / optimum(cut)
      expect(ratio).toBeGreaterThan(1 - 1e-9)
      expect(ratio).toBeLessThan(1.15)
    }
  })
})
