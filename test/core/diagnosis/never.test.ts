import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { advise } from '../../../core/advice'
import { parseReading } from '../../../core/foundation/quantity'
import { formatReading } from '../../../core/words'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, evidenceOf, predictorOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const shippedText = (id: string) => findShipped(id)!.text
const time = { type: 'number', dimension: 'time' } as const
const read = (text: string) => {
  const r = parseReading(text, time)
  return r.ok ? r.value : r.problems[0].code
}

describe('a phase that is timed', () => {
  it('may never begin, begin and never end, or be broken off: three answers, written as people write them', () => {
    for (const text of ['never', 'never began', 'did not begin']) expect(read(text)).toEqual({ type: 'never' })
    for (const text of ['never ended', 'endless', 'did not end']) expect(read(text)).toEqual({ type: 'never-ended' })
    for (const text of ['> 2 min', 'longer than 120 s', 'already 2:00', 'more than 2 min'])
      expect(read(text)).toEqual({ type: 'longer-than', si: 120 })
    for (const text of ['longer than', '> OL', 'longer than 2 V', '> > 2 min'])
      expect(['bad-reading', 'wrong-dimension']).toContain(read(text))
    expect(parseReading('> 2 min', { type: 'number', dimension: 'voltage' }).ok).toBe(false)
    expect(formatReading({ type: 'longer-than', si: 120 }, 'time')).toMatch(/^longer than 2/)
  })
  it('tells what never began from what never ended', () => {
    // A control without a limit on its fills waits for ever.
    const text = shippedText('dishwasher').replaceAll('      - { when: after 4 min, to: stopped, alarm: E1 }\n', '')
    const predictor = predictorOf(text)
    const { procedures, machine } = predictor.catalogue
    const fill = procedures.find((p) => p.id === 'fill.lasts')!
    const under = (fault: string) => predictor.predict(predictor.hypothesisFor([activeFaultsIn(machine, fault)]), fill)
    expect(predictor.predict(predictor.healthy, fill).type).toBe('value')
    expect(under('tap.shut').type).toBe('never-ended')
    expect(under('plug.off').type).toBe('never')
    for (const [fault, type] of [
      ['tap.shut', 'never-ended'],
      ['plug.off', 'never'],
    ] as const) {
      const truth = new DrawnMachine(predictor.catalogue, [activeFaultsIn(machine, fault)], random(5), undefined, 0)
      expect(truth.read(fill).type).toBe(type)
    }
    const shareOf = (fault: string, reading: string) => {
      const a = advise(predictor, evidenceOf(predictor, { complaint: 'dead' }, { test: 'fill.lasts', reading }))
      expect(a.verdicts[0].finding).toBe(reading === 'never began' ? 'never-came' : 'never-ended')
      return a.suspects.filter((s) => s.faults.some((f) => f.id === fault)).reduce((sum, s) => sum + s.p, 0)
    }
    expect(shareOf('plug.off', 'never began')).toBeGreaterThan(10 * shareOf('plug.off', 'never ended'))
    expect(shareOf('tap.shut', 'never ended')).toBeGreaterThan(10 * shareOf('tap.shut', 'never began'))
  })
  it('longer than what a suspect would take speaks against it, as much as the full time does once it is long enough', () => {
    const predictor = shippedPredictor('orrisk-tl40')
    const { machine } = predictor.catalogue
    const phase = predictor.catalogue.procedures.find((p) => p.measurement.type === 'duration')!
    const [{ id: complaint }] = machine.sheet.complaints
    const unknownAnd = (reading: string) => {
      const a = advise(predictor, evidenceOf(predictor, { complaint }, { test: phase.id, reading }))
      return a.belief.posterior[0] / (1 - a.belief.unknownFault)
    }
    const healthy = predictor.predict(predictor.healthy, phase)
    if (healthy.type !== 'value') throw new Error('a length')
    const [soon, late] = [
      unknownAnd(`> ${(0.5 * healthy.mean).toFixed(0)} s`),
      unknownAnd(`> ${(3 * healthy.mean).toFixed(0)} s`),
    ]
    expect(late).toBeLessThan(0.2 * soon)
  })
})

describe('a reading whose moment never comes', () => {
  it.each([
    ['orrisk-tl40', 'cold-valve.volts', 'plug.off'],
    ['brindlow-d6', 'fill-valve.volts', 'plug.off'],
  ])('%s: 0 V at %s with nothing started is 0 V, and points where "never" points', (id, test, fault) => {
    const predictor = shippedPredictor(id)
    const { machine, procedures } = predictor.catalogue
    const procedure = procedures.find((p) => p.id === test)!
    const dead = predictor.predict(predictor.hypothesisFor([activeFaultsIn(machine, fault)]), procedure)
    expect(dead).toMatchObject({ type: 'never', instead: { type: 'value' } })
    const complaint = machine.sheet.complaints.find((c) => c.id === 'dead')?.id ?? machine.sheet.complaints[0].id
    const shares = ['never', '0'].map((reading) => {
      const a = advise(predictor, evidenceOf(predictor, { complaint }, { test, reading }))
      expect(a.belief.doubts[0].grossError).toBeLessThan(0.5)
      return a.suspects.filter((s) => s.faults.some((f) => f.id === fault)).reduce((sum, s) => sum + s.p, 0)
    })
    expect(Math.abs(shares[0] - shares[1])).toBeLessThan(0.25)
    const truth = new DrawnMachine(predictor.catalogue, [activeFaultsIn(machine, fault)], random(5), undefined, 0)
    const answers = Array.from({ length: 60 }, () => truth.read(procedure))
    expect(new Set(answers.map((v) => v.type))).toEqual(new Set(['never', 'value']))
    for (const v of answers) if (v.type === 'value') expect(Math.abs(v.si)).toBeLessThan(2)
  })
})
