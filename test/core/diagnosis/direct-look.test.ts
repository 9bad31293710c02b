import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { areDistinguishable } from '../../../core/diagnosis/belief'
import { STANDARD } from '../../../core/diagnosis/calibration'
import type { Evidence } from '../../../core/evidence'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, evidenceOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const MOST_STEPS = 25

describe('before a cause stands', () => {
  it.each([
    ['brindlow-s12', ['boiler-low.scaled', 'board.dead']],
    ['tarvost-fl5', ['standpipe.low', 'supply-joint.weeps']],
    ['quenby-c25', ['gas-valve.leaks', 'float.float-down']],
  ])('%s: its part has been looked at itself, or no look at it is cheap', (id, faults) => {
    const predictor = shippedPredictor(id)
    const { machine, procedures, accessPaths } = predictor.catalogue
    let stood = 0
    for (const fault of faults.filter((f) => machine.faults.some((x) => x.id === f))) {
      const truth = new DrawnMachine(predictor.catalogue, [activeFaultsIn(machine, fault)], random(4), undefined, 0)
      const [complaint] = truth.complaints()
      if (!complaint) continue
      const evidence: Evidence[] = evidenceOf(predictor, { complaint })
      for (let step = 0; step < MOST_STEPS; step++) {
        const a = advise(predictor, evidence)
        if (a.plan.stop || !a.plan.next.length) {
          if (a.plan.state !== 'cause-stands') break
          stood++
          const lead = a.belief.posterior.indexOf(Math.max(...a.belief.posterior))
          const [{ fault: cause }] = a.belief.hypotheses[lead].activeFaults
          const own = procedures.filter(({ measurement: m }) => 'part' in m && m.part === cause.part)
          const tells = own.filter((p) =>
            areDistinguishable(
              predictor.predict(a.belief.hypotheses[lead], p),
              predictor.predict(predictor.healthy, p),
              STANDARD.belief,
            ),
          )
          const taken = new Set(evidence.flatMap((e) => (e.type === 'reading' ? [e.test] : [])))
          const cheap = tells.filter(
            (p) => accessPaths.from(a.interpreted.workState, p).minutes <= STANDARD.plan.cheapLook,
          )
          expect(
            tells.some((p) => taken.has(p.id)) || !cheap.length,
            `${fault}: ${cause.id}, ${cheap.map((p) => p.id).join()}`,
          ).toBe(true)
          break
        }
        const test = a.plan.next[0].procedure
        evidence.push({ type: 'reading', test: test.id, value: truth.read(test), instrument: undefined })
      }
    }
    expect(stood).toBeGreaterThan(0)
  })
})

describe('a switch that may come and go', () => {
  it('is not proven by readings of this moment while it leads', () => {
    const predictor = shippedPredictor('orrisk-tl40')
    const { machine } = predictor.catalogue
    const lid = machine.partIndex.get('lid')!
    const evidence = [
      { complaint: 'no-fill' },
      { circumstance: 'now-and-then' },
      { test: 'lid.ohms', reading: '0.1' },
      { test: 'cold-valve.runs', reading: 'yes' },
      { test: 'tub.filling', reading: 'yes' },
      { test: 'board.awake', reading: 'yes' },
    ]
    const { links } = advise(predictor, evidenceOf(predictor, ...evidence))
    const link = links.find((l) => l.part === lid)!
    expect(link.p).toBeLessThan(0.01)
    expect(link.restingProbability).toBeGreaterThan(0.1)
    expect(link.state).toBe('intermittent')
    // Worked by hand many times without a miss, it is.
    const worked = advise(predictor, evidenceOf(predictor, ...evidence, { test: 'lid.worked', reading: '60/60' })).links
    expect(worked.find((l) => l.part === lid)!.restingProbability).toBeLessThan(link.restingProbability / 2)
  })
})
