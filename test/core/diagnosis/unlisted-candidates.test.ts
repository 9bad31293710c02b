import { STANDARD } from '../../../core/diagnosis/calibration'
import { describe, expect, it } from 'vitest'
import { random, DrawnMachine } from '../../../core/truth'
import { findShipped } from '../../../cli/library'
import { areDistinguishable } from '../../../core/diagnosis/belief'
import { advise, createEngine, Engine, type Advice } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
import { unlistedFaults } from '../../../core/model/machine'
import type { Predictor } from '../../../core/diagnosis/predict'
import { activeFaultsIn, sheetOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const STEAMER = sheetOf(findShipped('brindlow-s12')!.text)

/** Follows the advice on a machine that has a fault, with what a perfect hand would read, until the tests end. */
function follow(p: Predictor, faults: DrawnMachine['activeFaults']): { advice: Advice; evidence: Evidence[] } {
  const truth = new DrawnMachine(p.catalogue, faults, random(1), 'none', 0)
  const evidence: Evidence[] = [{ type: 'complaint', complaint: truth.complaints()[0] }]
  for (;;) {
    const advice = advise(p, evidence)
    if (advice.plan.stop || evidence.length > 25) return { advice, evidence }
    const { procedure } = advice.plan.next[0]
    evidence.push({ type: 'reading', test: procedure.id, value: truth.exact(procedure), instrument: undefined })
  }
}

describe('what the sheet does not list', () => {
  const whole = shippedPredictor('brindlow-s12')
  it.each(['heat-lead.broken', 'drain-out.dead', 'tap.shut'])(
    '%s left off the sheet and met: no cause is said to stand, and it is named',
    (id) => {
      const blind = createEngine({ ...STEAMER, faults: STEAMER.faults.filter((f) => f.id !== id) }).predictor
      const fault = {
        ...activeFaultsIn(whole.catalogue.machine, id),
        fault: { ...activeFaultsIn(whole.catalogue.machine, id).fault, repair: -1 },
      }
      const { advice, evidence } = follow(blind, [fault])
      const { plan, belief } = advice
      expect(plan.state).not.toBe('cause-stands')
      const named = plan.unlistedCandidates.find((b) => b.fault.id === id)!
      expect(plan.unlistedCandidates.slice(0, 2)).toContain(named)
      expect(named.share).toBeGreaterThan(0.05)
      // Its test does tell it from the likeliest cause; done, the two no longer stand side by side.
      if (!named.distinguishedBy) return
      const lead = belief.hypotheses[belief.posterior.indexOf(Math.max(...belief.posterior))]
      const { procedure } = named.distinguishedBy
      expect(
        areDistinguishable(blind.predict(lead, procedure), blind.predict(named.hypothesis, procedure), STANDARD.belief),
      ).toBe(true)
      const value = new DrawnMachine(blind.catalogue, [fault], random(1), 'none', 0).exact(procedure)
      const then = advise(blind, [...evidence, { type: 'reading', test: procedure.id, value, instrument: undefined }])
      const before = plan.remedies[0]
      expect(then.plan.remedies.find((r) => r.repair === before.repair)?.p ?? 0).toBeLessThan(before.p)
    },
  )
  it('hinders no verdict on what is listed, and takes no share of the belief', () => {
    for (const id of ['heater.open', 'power-switch.stuck-open', 'heat-lead.broken']) {
      const { advice } = follow(whole, [activeFaultsIn(whole.catalogue.machine, id)])
      const best = Math.max(...advice.plan.remedies.map((r) => r.p))
      expect(best, id).toBeGreaterThan(0.9)
      // It stands whenever what is listed is enough for it: 95 %.
      expect(advice.plan.state, id).toBe(best >= 0.95 ? 'cause-stands' : 'undecided')
      const { posterior: p, unknownFault: unexplained, truncatedMass: residual } = advice.belief
      expect(p.reduce((s, x) => s + x, 0) + unexplained + residual).toBeCloseTo(1, 9)
    }
  })
  it('is what the kinds of the parts know and no line of the sheet says, with the dearest repair of the same part', () => {
    const { machine } = whole.catalogue
    const listed = new Set(machine.faults.map((f) => f.id))
    const found = unlistedFaults(machine)
    expect(found.length).toBeGreaterThan(10)
    for (const f of found) {
      expect(listed.has(f.id)).toBe(false)
      const own = machine.faults.filter((x) => x.part === f.part).map((x) => machine.sheet.repairs[x.repair].price)
      if (own.length) expect(machine.sheet.repairs[f.repair].price).toBe(Math.max(...own))
      else expect(f.repair).toBe(-1)
    }
  })
  it('is not looked for in the quick answer, which says that it is not settled', () => {
    const { evidence } = follow(whole, [activeFaultsIn(whole.catalogue.machine, 'heater.open')])
    const quick = advise(whole, evidence, 'best', 0)
    expect(quick.plan.unlistedCandidates).toEqual([])
    expect(new Engine(whole).view(quick, false).settled).toBe(false)
  })
})
