import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import type { ActiveFault } from '../../../core/model/machine'
import { DrawnMachine, random } from '../../../core/truth'
import { careful, followAdvice } from '../support/play'
import { evidenceOf, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

describe('what comes and goes, and rests just now', () => {
  it('a plug is flexed dead with the meter across it before anything is changed for it, whatever the names', () => {
    const [text, of] = underOtherNames('orrisk-tl40')
    const predictor = predictorOf(text)
    const { catalogue } = predictor
    const fault = catalogue.machine.faults.find((f) => f.id === of('cold-plug.corroded'))!
    const truth = new DrawnMachine(catalogue, [{ fault, severity: 800, missProbability: 0.4 }], random(4), 'none', 0)
    const { advice, evidence } = followAdvice(predictor, of('no-fill'), careful(truth), 'now-and-then')
    const flexed = `${of('cold-plug')}.flexed`
    expect(evidence.some((e) => e.type === 'reading' && e.test === flexed)).toBe(true)
    expect(advice.suspects[0].faults.map((f) => f.id)).toEqual([fault.id])
    expect(advice.plan.state).toBe('cause-stands')
  })
  it.each([
    ['brindlow-d6', 'no-water', 'fill-plug.flexed', 'corroded', 'now-and-then', 0],
    ['ulldale-g6', 'beyond-a-dead', 'common-b.flexed', 'corroded', 'now-and-then', 0],
    ['orrisk-tl40', 'no-fill', 'cold-valve.warmed', 'coil-open', 'when-hot', 1],
    ['ulldale-g6', 'zone4-dry', 'v4.warmed', 'coil-open', 'when-hot', 1],
  ])('%s, "%s": the meter that jumps at %s convicts, one that stays clears', (id, complaint, test, kind, said, off) => {
    const predictor = shippedPredictor(id)
    const fault = `${test.split('.')[0]}.${kind}`
    // Ohms before: what is open for good is none of these.
    const whole = off ? [{ test: test.replace('warmed', 'ohms'), reading: id === 'ulldale-g6' ? '29' : '905' }] : []
    const share = (...readings: object[]) =>
      advise(predictor, evidenceOf(predictor, { complaint }, { circumstance: said }, ...whole, ...readings), 'best', 0)
        .suspects.filter((s) => s.faults.some((f) => f.id === fault))
        .reduce((sum, s) => sum + s.p, 0)
    expect(share({ test, reading: '7/10' })).toBeGreaterThan(0.5)
    expect(share({ test, reading: '10/10' })).toBeLessThan(share() / 2)
    // Nothing is under power; for what is bent nothing comes off, what is warmed is read by itself.
    const { workMode, needs } = predictor.catalogue.procedures.find((p) => p.id === test)!
    expect([workMode, needs.loosened.length]).toEqual(['isolated', off])
  })
  it.each([
    ['orrisk-tl40', 'cold-valve', 'plunger-stuck'],
    ['ulldale-f6', 'res-valve', 'does-not-open'],
  ])('%s: the coil of a %s with %s stays as it is however warm, one that is open stays open', (id, valve, jam) => {
    const predictor = shippedPredictor(id)
    const { catalogue } = predictor
    const warmed = catalogue.procedures.find((p) => p.id === `${valve}.warmed`)!
    const clean = (fault: string) => {
      const own = catalogue.machine.faults.find((f) => f.id === `${valve}.${fault}`)!
      const active = [{ fault: own, severity: undefined }]
      const told = predictor.predict(predictor.hypothesisFor(active), warmed)
      const shown = new DrawnMachine(catalogue, active, random(4), 'none', 0).exact(warmed)
      return [told.type === 'times' && told.clean > 0.5, shown.type === 'times' && shown.clean > 5]
    }
    expect(clean(jam)).toEqual([true, true])
    expect(clean('coil-open')).toEqual([false, false])
  })
})

describe('what sticks', () => {
  it.each([
    ['orrisk-tl40', 'no-fill', 'cold-valve', 'runs', 'plunger-stuck', 'coil-open'],
    ['ulldale-f9', 'no-run-lamp', 'drive-relay', 'click', 'jammed', 'coil-open'],
  ])(
    '%s, "%s": what works when the %s is tapped sticks, whatever the names',
    (id, complaint, part, look, jam, dead) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const { catalogue } = predictor
      const tapped = catalogue.procedures.find((p) => p.id === of(`${part}.tapped`))!
      // Hands go to what is fed.
      expect(tapped.workMode).toBe('energised')
      const share = (fault: string, ...readings: object[]) =>
        advise(
          predictor,
          evidenceOf(
            predictor,
            { complaint: of(complaint) },
            { test: of(`${part}.${look}`), reading: 'no' },
            ...readings,
          ),
          'best',
          0,
        )
          .suspects.filter((s) => s.faults.some((f) => f.id === of(`${part}.${fault}`)))
          .reduce((sum, s) => sum + s.p, 0)
      const [yes, no] = ['yes', 'no'].map((reading) => ({ test: tapped.id, reading }))
      expect(share(jam, yes)).toBeGreaterThan(2 * share(jam))
      expect(share(dead, yes)).toBeLessThan(0.75 * share(dead))
      expect(share(jam, no)).toBeLessThan(share(jam))
      // A machine that has it comes free as often as people say it does, one that has not never does.
      const { faults } = catalogue.machine
      const times = (fault: string) => {
        const own = faults.find((f) => f.id === of(`${part}.${fault}`))!
        const truth = new DrawnMachine(catalogue, [{ fault: own, severity: undefined }], random(5), 'none', 0)
        return Array.from({ length: 60 }, () => truth.read(tapped)).filter((r) => r.type === 'yes').length / 60
      }
      const said = faults.find((f) => f.id === of(`${part}.${jam}`))!.saidWith.tapping!
      expect(Math.abs(times(jam) - said)).toBeLessThan(0.2)
      expect(times(dead)).toBeLessThan(0.2)
    },
  )
})

describe('what shows only while the water is weak', () => {
  it.each([
    ['orrisk-tl40', 'overfills', 'cold-valve', 'does-not-close'],
    ['brindlow-d6', 'overfills', 'fill-valve', 'does-not-close'],
  ])('%s, "%s": the %s is tried with the water turned down, whatever the names', (id, complaint, valve, kind) => {
    const [text, of] = underOtherNames(id)
    const predictor = predictorOf(text)
    const { catalogue } = predictor
    const throttled = catalogue.procedures.find((p) => p.id === of(`${valve}.throttled`))!
    const own = of(`${valve}.${kind}`)
    const suspects = (...items: object[]) =>
      advise(
        predictor,
        evidenceOf(
          predictor,
          { complaint: of(complaint) },
          { circumstance: 'weak-water' },
          // Water on and nobody calls: it holds just now.
          { test: of(`${valve}.passes-off`), reading: 'no' },
          ...items,
        ),
        'best',
        0,
      ).suspects
    const share = (...items: object[]) =>
      suspects(...items)
        .filter((s) => s.faults.some((f) => f.id === own))
        .reduce((sum, s) => sum + s.p, 0)
    const [yes, no] = ['yes', 'no'].map((reading) => ({ test: throttled.id, reading }))
    expect(suspects(yes)[0].faults.map((f) => f.id)).toEqual([own])
    expect(share(yes)).toBeGreaterThan(2 * share())
    expect(share(no)).toBeLessThan(share())
    // One that rests comes as often as people say, one that does not rest always, a healthy one never.
    const fault = catalogue.machine.faults.find((f) => f.id === of(`${valve}.${kind}`))!
    const times = (...active: ActiveFault[]) => {
      const truth = new DrawnMachine(catalogue, active, random(5), 'none', 0)
      return Array.from({ length: 60 }, () => truth.read(throttled)).filter((r) => r.type === 'yes').length / 60
    }
    const resting = times({ fault, severity: undefined, missProbability: 0.4 })
    expect(Math.abs(resting - fault.saidWith['weak-water']!)).toBeLessThan(0.2)
    expect(times({ fault, severity: undefined })).toBeGreaterThan(0.9)
    expect(times()).toBeLessThan(0.1)
  })
})
