import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coupleRectifiers, solveCircuit, voltsBetween, type Component } from '../../../core/physics/circuit'
import { makeFaultedMachine } from '../../../core/model/machine'
import { plainVolts, runPlain, solveBoth, solvePlain, STEP, waterSolver } from '../../../core/truth'
import { simulate } from '../../../core/simulation/simulate'
import { PLAIN_LINK, solveWater, type WaterLink } from '../../../core/physics/water'
import { FAMILY, machineOf, mini, activeFaultsIn } from '../support/sheets'

const OMEGA = 2 * Math.PI * 50
const ohms = fc.double({ min: 0.01, max: 1e5, noNaN: true })

describe('two solvers, written apart, give one answer', () => {
  const N = 8
  const component = fc
    .record({
      kind: fc.nat(5),
      a: fc.nat(N - 1),
      step: fc.integer({ min: 1, max: N - 1 }),
      ohms,
      x: fc.double({ min: 0.01, max: 4, noNaN: true }),
    })
    .map(({ kind, a, step, ohms, x }): Component => {
      const ends = { a, b: (a + step) % N }
      switch (kind) {
        case 0:
          return { type: 'VAC', ...ends, ohms, volts: 60 * x }
        case 1:
          return { type: 'RL', ...ends, ohms, henries: x }
        case 2:
          return { type: 'RC', ...ends, ohms, farads: x * 1e-6 }
        case 3:
          return { type: 'T', ...ends, c: (a + 3) % N, d: (a + 4) % N, ohms, ohms2: ohms / 20, henries: x, ratio: 5 }
        case 4:
          return { type: 'VDC', ...ends, ohms, volts: 6 * x }
        default:
          return { type: 'R', ...ends, ohms }
      }
    })
  it('circuits of every component, at the supply frequency and on DC', () => {
    fc.assert(
      fc.property(fc.array(component, { minLength: 4, maxLength: 18 }), (components) => {
        for (const [analysis, omega] of [
          ['ac', OMEGA],
          ['dc', 0],
        ] as const) {
          const mine = solveCircuit(N, components, analysis, omega)
          const plain = solvePlain(N, components, omega)
          for (let i = 0; i < N; i++)
            for (let j = 0; j < i; j++) {
              const volts = plainVolts(plain, i, j)
              expect(Math.abs(voltsBetween(mine, i, j) - volts)).toBeLessThan(1e-6 * volts + 2.4e-7)
            }
        }
      }),
      { seed: 21, numRuns: 200 },
    )
  })
  it('a rectified load on a weak transformer', () => {
    const build = (): Component[] => [
      { type: 'VAC', a: 0, b: 1, ohms: 0.5, volts: 230 },
      { type: 'T', a: 0, b: 1, c: 2, d: 3, ohms: 60, ohms2: 0.8, henries: 20, ratio: 9.6 },
      { type: 'RECT', a: 2, b: 3, c: 4, d: 5, ohms: 1, wave: 'full', load: Infinity, volts: 0 },
      { type: 'R', a: 4, b: 5, ohms: 30 },
    ]
    const mine = coupleRectifiers(6, build(), OMEGA)
    const plain = solveBoth(6, build(), OMEGA)
    expect(voltsBetween(mine.dc, 4, 5)).toBeCloseTo(plainVolts(plain.dc, 4, 5), 8)
    expect(voltsBetween(mine.ac, 2, 3)).toBeCloseTo(plainVolts(plain.ac, 2, 3), 8)
    expect(voltsBetween(mine.ac, 2, 3)).toBeLessThan(
      voltsBetween(coupleRectifiers(6, build().slice(0, 3), OMEGA).ac, 2, 3),
    )
  })
  it('water that branches and meets again', () => {
    const link = fc.record({
      from: fc.nat(4),
      step: fc.integer({ min: 1, max: 4 }),
      square: fc.double({ min: 1e10, max: 1e13, noNaN: true }),
      oneWay: fc.boolean(),
      rated: fc.constantFrom(Infinity, 2e-4),
      allows: fc.constantFrom(Infinity, Infinity, Infinity, 1e5, 2e5),
    })
    fc.assert(
      fc.property(fc.array(link, { minLength: 3, maxLength: 7 }), (drawn) => {
        const links = drawn.map(({ from, step, square, oneWay, rated, allows }): WaterLink => ({
          ...PLAIN_LINK,
          from,
          to: (from + step) % 5,
          quadratic: square,
          linear: 1e6,
          ratedFlow: rated,
          regulatorSlope: rated === Infinity ? 0 : 1e10,
          oneWay: oneWay || allows < Infinity,
          outletAtMost: allows,
          droop: 2e8,
        }))
        const fixed = Float64Array.from([3e5, 0, NaN, NaN, NaN])
        const { flow } = solveWater(5, links, fixed)
        const plain = waterSolver(links, fixed)(fixed)
        // Where wide pipes meet tight ones the plain way may not have come to rest: as much comes as goes, or it tells nothing.
        const gain = (n: number) =>
          links.reduce((q, s, k) => q + (s.to === n ? plain[k] : 0) - (s.from === n ? plain[k] : 0), 0)
        fc.pre([2, 3, 4].every((n) => Math.abs(gain(n)) < 1e-9))
        plain.forEach((q, k) => expect(Math.abs(flow[k] - q)).toBeLessThan(2e-8 + 1e-4 * Math.abs(q)))
      }),
      { seed: 5, numRuns: 60, endOnFailure: true },
    )
  })
})

describe('from event to event, and in plain steps of 10 ms', () => {
  const cases: [string, string, string[], number][] = [
    ['washer, healthy', FAMILY, [], 330],
    ['washer, plugs crossed', FAMILY, ['crossed-plugs'], 330],
    ['washer, low supply and a leaking tube', FAMILY, ['mains.low', 'tube.leaking'], 300],
    ['boiler, healthy', mini('boiler'), [], 300],
    ['boiler, fill valve does not open', mini('boiler'), ['fill-valve.coil-open'], 650],
    ['irrigation', mini('irrigation'), ['common-b.corroded'], 60],
    ['interlocks', mini('interlocks'), [], 40],
  ]
  it.each(cases)(
    '%s: the same phases, each as long within a step, the same codes and complaints',
    (_, text, faults, until) => {
      const machine = machineOf(text)
      const faulted = makeFaultedMachine(
        machine,
        faults.map((f) => activeFaultsIn(machine, f)),
      )
      const script = { steps: [{ at: 0, start: 0 }], until, stopsWhenFinal: false, moments: [] }
      const quick = simulate(faulted, script)
      const plain = runPlain(faulted, script)
      const entries = quick.events.flatMap((e) => (e.type === 'phase' ? [e] : []))
      expect(plain.phases.map((p) => p.phase)).toEqual(entries.map((e) => e.phase))
      // Each phase ends on the step after its instant, so that every length is within one step.
      entries.slice(1).forEach((e, i) => {
        const [mine, theirs] = [e.time - entries[i].time, plain.phases[i + 1].time - plain.phases[i].time]
        expect(Math.abs(mine - theirs)).toBeLessThanOrEqual(STEP + 1e-6)
      })
      expect(plain.alarms).toEqual(quick.alarms)
      expect(plain.complaints).toEqual(quick.complaints)
    },
  )
})
