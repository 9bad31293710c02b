import { describe, expect, it } from 'vitest'
import { random, DrawnMachine } from '../../../core/truth'
import { findShipped } from '../../../cli/library'
import { advise } from '../../../core/advice'
import { findMeter } from '../../../core/simulation/instrument'
import { arrivalTime } from '../../../core/diagnosis/plan'
import { varianceOf } from '../../../core/diagnosis/predict'
import { evidenceOf, predictorOf, activeFaultsIn } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

describe('lengths of phases', () => {
  const p = shippedPredictor('quenby-c40')
  const { machine, procedures } = p.catalogue
  const lasts = (phase: string) => procedures.find((x) => x.id === `${phase}.lasts`)!
  const expected = (fault: string, phase: string, severity?: number) => {
    const { type: is, ...own } = p.predict(
      p.hypothesisFor(fault ? [activeFaultsIn(machine, fault, severity)] : []),
      lasts(phase),
    )
    if (is !== 'value' || !('mean' in own)) throw new Error(`${phase} does not end`)
    return { ...own, sd: Math.sqrt(varianceOf({ type: is, ...own })) }
  }
  it('that end by their limit scatter by the stopwatch alone', () => {
    const { mean, sd, reproducibility: noise } = expected('plate.no-cold', 'chill')
    expect(machine.phases.find((x) => x.id === 'chill')!.timeLimits).toContain(mean)
    expect(sd).toBeCloseTo(Math.hypot(noise, findMeter('stopwatch')!.gain * mean), 9)
  })
  it.each([
    ['', 'chill', undefined],
    ['gas-valve.plunger-stuck', 'chill', undefined],
    ['filter.kinked', 'prefill', 0.02],
    ['filter.kinked', 'prefill', 0.03],
  ])('%s: %s of machines drawn within their tolerances lasts as long as expected', (fault, phase, severity) => {
    const { mean, sd } = expected(fault, phase, severity)
    const activeFaults = fault ? [activeFaultsIn(machine, fault, severity)] : []
    const far = [1, 2, 3, 4].map((seed) => {
      const value = new DrawnMachine(p.catalogue, activeFaults, random(seed), undefined, 0).exact(lasts(phase))
      return value.type === 'value' ? Math.abs(value.si - mean) / sd : Infinity
    })
    expect(far.filter((x) => x > 3.5)).toEqual([])
  })
  it('a severity at which a phase is over in an instant says nothing of how long it takes at the next', () => {
    // Strapped to some tap between: at one ratio everything pulls in, at the next nothing does.
    const taps = predictorOf(
      `${findShipped('quenby-c40')!.text}
faults:
  control-wrong-tap:
    effects: [{ set: control-transformer.ratio, times: severity }]
    severity: { from: 1.15, to: 1.5, scale: log }
`,
    )
    const nodes = taps.hypotheses.filter(
      (m) => m.activeFaults.length === 1 && m.activeFaults[0].fault.id === 'control-wrong-tap',
    )
    const shownOf = (timing: (typeof procedures)[number]) =>
      nodes
        .map((m) => taps.predict(m, timing))
        .flatMap((v) => (v.type === 'value' ? [{ mean: v.mean, sd: Math.sqrt(varianceOf(v)) }] : []))
    const both = taps.catalogue.procedures
      .filter((x) => x.measurement.type === 'duration')
      .map(shownOf)
      .filter((shown) => shown.some((v) => v.mean < 1) && shown.some((v) => v.mean > 30))
    expect(both.length).toBeGreaterThan(0)
    for (const shown of both) expect(shown.filter((v) => v.mean < 1).every((v) => v.sd < 3)).toBe(true)
  })
  it('once a run is found stopped, nothing that comes later in it is offered', () => {
    const chill = lasts('chill')
    const later = procedures.filter((x) => x.run === chill.run && arrivalTime(p, x) >= arrivalTime(p, chill))
    expect(later.length).toBeGreaterThan(4)
    const offered = (...readings: object[]) =>
      advise(p, evidenceOf(p, { complaint: 'no-ice' }, ...readings), 'best', 0).plan.next.map((s) => s.procedure)
    expect(offered().some((x) => later.includes(x))).toBe(true)
    const after = offered({ test: chill.id, reading: 'never' })
    expect(after.length).toBeGreaterThan(0)
    expect(after.filter((x) => later.includes(x))).toEqual([])
  })
})
