import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate } from '../../../core/simulation/simulate'
import { admittanceOf, newAdmittance } from '../../../core/physics/circuit'
import { PLAIN_LINK, seriesPathOf, solveSeriesPath, solveWater, type WaterLink } from '../../../core/physics/water'
import { edit, FAMILY, machineOf, mini, activeFaultsIn, runTo } from '../support/sheets'

describe('water by hand', () => {
  const pipe = (from: number, to: number, square: number, more: Partial<WaterLink> = {}): WaterLink => ({
    from,
    to,
    quadratic: square,
    linear: 0,
    ...PLAIN_LINK,
    ...more,
  })
  it('series restrictions add: Q = √(Δp / Σk)', () => {
    const s = solveWater(3, [pipe(0, 1, 4e12), pipe(1, 2, 5e12)], Float64Array.from([3e5, NaN, 0]))
    expect(s.flow[0]).toBeCloseTo(Math.sqrt(3e5 / 9e12), 12)
    expect(s.pressure[1]).toBeCloseTo((3e5 * 5) / 9, 3)
  })
  it('a pressure regulator holds what stands behind it, throttles no more than it must, and lets nothing back', () => {
    const regulator = pipe(0, 1, 1e12, { outletAtMost: 1.5e5, droop: 1e8, oneWay: true })
    const through = (supply: number, end: number) =>
      solveWater(3, [regulator, pipe(1, 2, 4e12)], Float64Array.from([supply, NaN, end]))
    // 1.5 bar less the droop over the second restriction alone: 1e8·Q + 4e12·Q² = 1.5e5.
    const flow = (-1e8 + Math.sqrt(1e16 + 4 * 4e12 * 1.5e5)) / 8e12
    expect(through(4e5, 0).flow[0]).toBeCloseTo(flow, 10)
    expect(through(4e5, 0).pressure[1]).toBeCloseTo(1.5e5 - 1e8 * flow, 2)
    expect(through(6e5, 0).flow[1]).toBeCloseTo(flow, 10)
    // A supply below what it is set to: wide open.
    expect(through(1e5, 0).flow[0]).toBeCloseTo(Math.sqrt(1e5 / 5e12), 9)
    expect(Math.abs(through(4e5, 2e5).flow[0])).toBeLessThan(1e-9)
    // A closed end: it stands at what is set, whatever comes.
    const ended = [regulator, pipe(1, 2, 4e12)].map((s) => ({ ...s, linear: 1e5 }))
    expect(solveWater(3, ended, Float64Array.from([4e5, NaN, NaN])).pressure[2]).toBeCloseTo(1.5e5, 0)
  })
  it('a flow regulator holds its flow and a one-way stretch lets nothing back', () => {
    const rated = 2e-4
    const s = solveWater(
      2,
      [pipe(0, 1, 1e5 / 3.3e-4 ** 2, { ratedFlow: rated, regulatorSlope: 7e5 / (0.1 * rated) })],
      Float64Array.from([4e5, 0]),
    )
    expect(s.flow[0] / rated).toBeGreaterThan(1)
    expect(s.flow[0] / rated).toBeLessThan(1.1)
    expect(
      Math.abs(solveWater(2, [pipe(0, 1, 1e10, { oneWay: true })], Float64Array.from([0, 1e4])).flow[0]),
    ).toBeLessThan(1e-9)
  })
})

describe('the washer runs', () => {
  const machine = machineOf(FAMILY)
  const { timeline } = runTo(machine, 'wash')
  it('calls cold and hot at different times and ends complete', () => {
    const order = timeline.events.flatMap((e) => (e.type === 'phase' ? [machine.phases[e.phase].id] : []))
    expect(order).toEqual(['fill-cold', 'fill-hot', 'wash', 'drain', 'done'])
    expect(timeline.alarms).toEqual([])
  })
  it('fills in the time that level, area and flow give by hand', () => {
    // The control stops at 1.1 V; its 470 kΩ input loads the 1 kΩ sensor, which must give 1.1 V · 471/470 and so
    // stand at (1.10234 − 0.5) V / (4 V / 400 mm) = 60.23 mm of 0.19 m²; the flow is read from the running machine.
    const { point } = runTo(machine, 'fill-cold')
    const flow = point.flow(point.faulted.parts[machine.partIndex.get('cold-valve')!])
    expect(timeline.phases[0].to).toBeCloseTo((((1.1 * 471) / 470 - 0.5) / 10) * (0.19 / flow), 2)
  })
  it('conserves water: what stands in the tub is what came in', () => {
    const tub = machine.parts[machine.partIndex.get('tub')!]
    for (const [a, b] of [
      [0, 1],
      [1, 2],
    ] as const) {
      const { from, to } = timeline.phases[a]
      const valve = machine.parts[machine.partIndex.get(a === 0 ? 'cold-valve' : 'hot-valve')!]
      const { point } = runTo(machine, machine.phases[a].id)
      const at = (t: number) => timeline.samples.findLast((s) => s.time <= t + 1e-9)!.states[tub.state.volume]
      expect(at(timeline.phases[b].from) - at(from)).toBeCloseTo(point.flow(valve) * (to - from), 7)
    }
  })
  it('a broken machine shows its codes and complaints', () => {
    const shut = runTo(machine, 'fill-cold', activeFaultsIn(machine, 'cold-stop.shut')).timeline
    expect(shut.alarms).toEqual(['LF'])
    expect(machine.sheet.complaints.filter((_, i) => shut.complaints[i]).map((c) => c.id)).toEqual([
      'no-fill',
      'hums',
      'code-lf',
    ])
    const stuck = runTo(machine, 'fill-cold', activeFaultsIn(machine, 'cold-valve.does-not-close')).timeline
    expect(stuck.alarms).toEqual(['OF'])
  })
  it('flows that do not come to rest are said not to, once', () => {
    const garden = machineOf(findShipped('ulldale-g6')!.text)
    const values = garden.values.slice()
    values[garden.params.find((p) => p.id === 'v1.passes')!.index] = NaN
    const script = { steps: [{ at: 0, start: 0 }], until: 300, stopsWhenFinal: false, moments: [] }
    const events = (own: Float64Array) => simulate(makeFaultedMachine(garden, [], [], own), script).events
    expect(events(values).filter((e) => e.type === 'unsettled')).toHaveLength(1)
    expect(events(garden.values).filter((e) => e.type === 'unsettled')).toEqual([])
  })
  it('at least ten observable signatures among its faults', () => {
    const signature = (id: string) => {
      const { timeline: t, point } = runTo(machine, 'fill-cold', ...[activeFaultsIn(machine, id)].slice(0, 1))
      const volts = point.volts(
        machine.parts[machine.partIndex.get('cold-valve')!].nodes.a,
        machine.parts[machine.partIndex.get('cold-valve')!].nodes.b,
      )
      return `${t.complaints.map(Number).join('')} ${t.alarms.join()} ${volts > 60 ? 'live' : 'dead'}`
    }
    const reachable = machine.faults.filter(
      (f) =>
        !['mains.dead', 'plug.off', 'fuse.blown', 'board.dead', 'sensor.reads-full', 'plug-earth.weak'].includes(f.id),
    )
    expect(new Set(reachable.map((f) => signature(f.id))).size).toBeGreaterThanOrEqual(10)
  })
  it('the circuit balances: sources give what the loads take', () => {
    const { components, omega, re, im } = runTo(machine, 'fill-cold').point.ac()
    const net = components.reduce((watts, c) => {
      if (c.type === 'T') return watts
      const y = admittanceOf(c, 'ac', omega, newAdmittance())
      const [vr, vi] = [re[c.a] - re[c.b], im[c.a] - im[c.b]]
      return watts + y.re * (vr * vr + vi * vi) - y.amps * vr
    }, 0)
    expect(components.length).toBeGreaterThan(10)
    expect(Math.abs(net)).toBeLessThan(1e-9)
  })
  it('an all-day run is as exact as a short one and many events end in a message', () => {
    const twice = simulate(makeFaultedMachine(machine), {
      steps: [{ at: 0, start: 0 }],
      until: 86400,
      stopsWhenFinal: false,
      moments: [],
    })
    expect(twice.phases[3].to).toBeCloseTo(timeline.phases[3].to, 3)
    const restless = machineOf(
      edit(
        edit(FAMILY, '- { when: after 6 min, to: drain }', '- { when: after 6 min, to: agitate }'),
        '  drain:\n    title: Drain',
        '  agitate: { title: Turn, exits: [{ when: after 1 s, to: wash-on }] }\n  wash-on: { title: On, exits: [{ when: after 1 s, to: agitate }] }\n  drain:\n    title: Drain',
      ),
    )
    expect(() =>
      simulate(makeFaultedMachine(restless), {
        steps: [{ at: 0, start: 0 }],
        until: 1e6,
        stopsWhenFinal: false,
        moments: [],
      }),
    ).toThrow(/limit/i)
  })
})

describe('relays, timers and chatter', () => {
  it('a delay timer and a relay start the drive after the delay', () => {
    const machine = machineOf(mini('interlocks'))
    const { timeline } = runTo(machine)
    const turning = machine.parts[machine.partIndex.get('drive')!].mode.turning
    expect(timeline.events.find((e) => e.type === 'mode' && e.mode === turning)!.time).toBeCloseTo(20, 6)
  })
  it('a relay that cuts its own coil chatters and says so', () => {
    const text = edit(
      edit(mini('interlocks'), 'relay.a/b, isolator.Nout]', 'relay.com/nc, relay.a/b, isolator.Nout]'),
      'power: [main-switch.2, relay.com/no, drive, isolator.Nout]',
      'power: [main-switch.2, drive, isolator.Nout]',
    )
    const { timeline } = runTo(machineOf(text))
    expect(timeline.events.some((e) => e.type === 'chatters')).toBe(true)
  })
})

describe('a reach without branches', () => {
  it('gives as one equation what the network method gives', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            square: fc.double({ min: 1e8, max: 1e14, noNaN: true }),
            turned: fc.boolean(),
            oneWay: fc.boolean(),
            rated: fc.option(fc.double({ min: 1e-5, max: 1e-3, noNaN: true }), { nil: Infinity }),
            head: fc.constantFrom(0, 0, 2e4),
            allows: fc.constantFrom(Infinity, Infinity, 1e5, 2e5),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        fc.double({ min: -3e5, max: 6e5, noNaN: true }),
        (drawn, gap) => {
          const links = drawn.map(({ square, turned, oneWay, rated, head, allows }, i): WaterLink => ({
            ...PLAIN_LINK,
            from: turned ? i + 1 : i,
            to: turned ? i : i + 1,
            quadratic: square,
            linear: 1e5,
            ratedFlow: rated,
            regulatorSlope: rated === Infinity ? 0 : 1e10,
            pressureRise: head,
            oneWay: oneWay || allows < Infinity,
            outletAtMost: allows,
            droop: 2e8,
          }))
          const fixed = new Float64Array(links.length + 1).fill(NaN)
          fixed[0] = gap
          fixed[links.length] = 0
          const network = solveWater(fixed.length, links, fixed)
          const flow = new Float64Array(links.length)
          const pressure = fixed.slice()
          const path = seriesPathOf(links, fixed)
          // Pressure regulators that face each other have no one direction.
          const regulators = drawn.filter((s) => s.allows < Infinity)
          expect(path === undefined).toBe(new Set(regulators.map((s) => s.turned)).size > 1)
          if (!path) return
          solveSeriesPath(links, path, fixed, flow, pressure)
          flow.forEach((q, k) => expect(Math.abs(q - network.flow[k])).toBeLessThan(1e-9 + 1e-6 * Math.abs(q)))
          // Between two that let nothing back no pressure is the right one.
          if (Math.abs(flow[0]) < 1e-9) return
          pressure.forEach((p, n) => expect(Math.abs(p - network.pressure[n])).toBeLessThan(1 + 1e-6 * Math.abs(p)))
        },
      ),
      { seed: 3, numRuns: 300 },
    )
  })
})
