import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import type { ActiveFault } from '../../../core/model/machine'
import { evidenceOf, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

describe('how a machine is found', () => {
  it.each([
    [
      'tarvost-fl7',
      'leak-code',
      'supply-tray',
      'supply-joint.weeps',
      ['supply-joint.look', 'boot.look', 'pump-seal.look'],
    ],
    ['brindlow-d6', 'leaks', 'base-pan', 'seam.weeps', ['seam.look', 'fill-valve.passes-off', 'fill-valve.idle-volts']],
  ])(
    '%s: water where the customer’s run left it names the leak, none clears it, and a dry joint over a wet pan is nothing on the sheet',
    (id, complaint, vessel, leak, leaks) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const found = `${of(vessel)}.found`
      const told = (...more: object[]) => {
        const a = advise(predictor, evidenceOf(predictor, { complaint: of(complaint) }, ...more))
        const share = (is: (faults: readonly ActiveFault[]) => boolean) =>
          a.belief.hypotheses.reduce((sum, h, i) => sum + (is(h.activeFaults) ? a.belief.posterior[i] : 0), 0)
        const p = share((faults) => faults.some(({ fault }) => fault.id === of(leak)))
        // What brings water there: the leaks over it, and what fills the tub until it runs over.
        const procedure = predictor.catalogue.procedures.find((x) => x.id === found)!
        const wets = a.belief.hypotheses.filter((h) => {
          const told = predictor.predict(h, procedure)
          return told.type === 'sense' && told.yes > 0.5
        })
        const wet = share((faults) => wets.some((h) => h.activeFaults === faults))
        return { p, wet, unknown: a.belief.unknownFault, state: a.plan.state, doubt: a.belief.doubts[0]?.grossError }
      }
      expect(told({ test: found, reading: 'yes' }).wet).toBeGreaterThan(0.8)
      expect(told({ test: found, reading: 'yes' }).p).toBeGreaterThan(0.3)
      expect(told({ test: found, reading: 'no' }).wet).toBeLessThan(0.1)
      const dry = leaks.map((look) => ({ test: of(look), reading: look.endsWith('volts') ? '0 V' : 'no' }))
      const odd = told({ test: found, reading: 'yes' }, ...dry)
      expect(odd.unknown).toBeGreaterThan(0.4)
      expect(odd.state).not.toBe('cause-stands')
      // Looked at in an order that hands could not have kept, it says the same: it is about the customer's run.
      const later = told({ action: 'isolate' }, { test: found, reading: 'yes' })
      expect(later.p).toBeCloseTo(told({ test: found, reading: 'yes' }).p, 12)
    },
  )
  it('is looked at for nothing more than a glance, and no more once anything has been switched, opened or started', () => {
    const predictor = shippedPredictor('tarvost-fl7')
    const { procedures, accessPaths } = predictor.catalogue
    const found = procedures.filter((p) => p.needs.asFound)
    expect(found.length).toBeGreaterThan(3)
    const offered = (...more: object[]) =>
      advise(predictor, evidenceOf(predictor, { complaint: 'leak-code' }, ...more)).plan.next.filter(
        (s) => s.procedure.needs.asFound,
      )
    expect(offered().length).toBeGreaterThan(1)
    for (const { minutes, steps } of offered()) {
      expect(minutes).toBeLessThan(1)
      expect(steps).toEqual([])
    }
    for (const moved of [{ action: 'isolate' }, { action: 'open top' }, { test: 'prewash.lasts', reading: '60' }])
      expect(offered(moved)).toEqual([])
    // Eyes alone move nothing.
    expect(offered({ test: 'supply-tap.look', reading: 'yes' }).length).toBeGreaterThan(1)
    const { interpreted } = advise(predictor, evidenceOf(predictor, { complaint: 'leak-code' }, { action: 'isolate' }))
    expect(accessPaths.from(interpreted.workState, found[0]).minutes).toBe(Infinity)
  })
})
