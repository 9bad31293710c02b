import { describe, expect, it } from 'vitest'
import { advise, telling, type Advice } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
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

describe('what a look tells, where it costs nobody a minute', () => {
  const predictor = shippedPredictor('quenby-c12')
  const dead: Evidence[] = [{ type: 'complaint', complaint: 'dead' }]
  const looks = predictor.catalogue.procedures.filter((p) => p.needs.asFound).map((p) => p.id)
  const answer = (type: 'yes' | 'no'): Evidence[] => [
    ...dead,
    { type: 'reading', test: 'isolator.found', value: { type }, instrument: undefined },
  ]
  /** Chance of each fault where it is a listed one, and how likely that is. */
  function listedIn({ belief: { hypotheses, posterior, unknownFault } }: Advice) {
    const weights = new Map<string, number>()
    hypotheses.forEach((h, i) =>
      h.activeFaults.forEach(({ fault: { id } }) => weights.set(id, (weights.get(id) ?? 0) + posterior[i])),
    )
    const listed = 1 - unknownFault
    const entropy = [...weights.values()].reduce((s, w) => s - (w > 0 ? (w / listed) * Math.log(w / listed) : 0), 0)
    return { listed, entropy, off: weights.get('isolator.off')! }
  }
  it('is the fall of the entropy over the faults that its answers bring about', () => {
    const now = advise(predictor, dead, 'best', 0)
    const nats = telling(predictor, now, looks).get('isolator.found')!
    const [before, yes, no] = [
      now,
      ...(['yes', 'no'] as const).map((w) => advise(predictor, answer(w), 'best', 0)),
    ].map(listedIn)
    // What is believed now is the mean of what will be believed.
    const chance = (before.off - no.off) / (yes.off - no.off)
    const after = chance * yes.listed * yes.entropy + (1 - chance) * no.listed * no.entropy
    expect(Math.abs(nats - (before.entropy - after / before.listed))).toBeLessThan(0.02)
  })
  it('asks first for the isolator of a machine that is dead, though that changes nothing that is done there, and not again', () => {
    const now = advise(predictor, dead)
    expect([...telling(predictor, now, looks).keys()][0]).toBe('isolator.found')
    expect(now.plan.next.map((s) => s.procedure.id)).not.toContain('isolator.found')
    expect([...telling(predictor, advise(predictor, answer('yes')), looks).keys()]).not.toContain('isolator.found')
  })
})
