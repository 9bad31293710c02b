import { describe, expect, it } from 'vitest'
import {
  beeperProbability,
  findMeter,
  currentIndication,
  neonProbability,
  resistanceIndication,
  voltageIndication,
  waterIndication,
} from '../../../core/simulation/instrument'
import { findShipped } from '../../../cli/library'
import type { Part } from '../../../core/model/kinds'
import { makeFaultedMachine, type Machine } from '../../../core/model/machine'
import type { OperatingPoint } from '../../../core/simulation/simulate'
import { simulate } from '../../../core/simulation/simulate'
import { edit, FAMILY, freshPredictorOf, machineOf, mini, predictorOf, activeFaultsIn, runTo } from '../support/sheets'

const volts = findMeter('volts')!
const lowz = findMeter('volts-lowz')!
const ohms = findMeter('ohms')!
const machine = machineOf(FAMILY)
const part = (m: Machine, id: string) => m.parts[m.partIndex.get(id)!]
const cold = part(machine, 'cold-valve')
const across = (point: OperatingPoint, meter = volts) =>
  voltageIndication(point, meter, cold.nodes.a, cold.nodes.b).value

describe('meters as part of the circuit', () => {
  it('a snubber leaves a ghost voltage on 10 MΩ that falls on a low-impedance input', () => {
    const faults = [activeFaultsIn(machine, 'cold-valve.coil-open'), activeFaultsIn(machine, 'cold-out.dead')]
    const { point } = runTo(machine, 'fill-cold', ...faults)
    // 10 nF at 60 Hz is 265 kΩ, in series with 100 Ω, before an open coil: only the meter loads it.
    const x = 1 / (2 * Math.PI * 60 * 10e-9)
    expect(across(point)).toBeCloseTo((120 * 10e6) / Math.hypot(10e6 + 100, x), 0)
    expect(across(point, lowz)).toBeCloseTo((120 * 3000) / Math.hypot(3100, x), 1)
    expect(across(point, lowz)).toBeGreaterThan(0.5)
  })
  it('a high-resistance joint shows full voltage unloaded and collapses at the valve under load', () => {
    const joint = activeFaultsIn(machine, 'cold-plug.corroded', 5000)
    const loaded = across(runTo(machine, 'fill-cold', joint).point)
    const unloaded = across(runTo(machine, 'fill-cold', joint, activeFaultsIn(machine, 'cold-valve.coil-open')).point)
    expect(unloaded).toBeGreaterThan(119)
    // Plunger out: 780 Ω + j·2π·60·1.3 Ω behind about 5 kΩ.
    expect(loaded).toBeCloseTo((120 * Math.hypot(780, 490.1)) / Math.hypot(5780, 490.1), 0)
  })
  it('with the return lost both terminals are live and nothing stands between them', () => {
    const { point } = runTo(machine, 'fill-cold', activeFaultsIn(machine, 'valve-return.broken'))
    const neutral = part(machine, 'mains').nodes.N
    expect(voltageIndication(point, volts, cold.nodes.a, neutral).value).toBeGreaterThan(115)
    expect(voltageIndication(point, volts, cold.nodes.b, neutral).value).toBeGreaterThan(100)
    expect(across(point)).toBeLessThan(15)
  })
  it('0 V across an open switch when the rest of the loop is open too', () => {
    const bare = machineOf(FAMILY.replaceAll(', snubber: fitted', ''))
    const lid = part(bare, 'lid')
    const read = (...ids: string[]) =>
      voltageIndication(
        runTo(bare, 'fill-cold', ...ids.map((i) => activeFaultsIn(bare, i))).point,
        volts,
        lid.nodes['1'],
        lid.nodes['2'],
      ).value
    expect(read()).toBeLessThan(0.1)
    expect(read('lid.stuck-open')).toBeGreaterThan(119)
    // But for what creeps over the insulation of the wet plug.
    expect(read('lid.stuck-open', 'cold-valve.coil-open')).toBeLessThan(2)
  })
  it('ohms in the circuit are spoilt by a parallel path; lifted they are the coil alone, hot copper reads high', () => {
    const bled = machineOf(
      edit(
        edit(FAMILY, '  cold-main: { kind', '  bleed: { kind: resistor, ohms: 780 Ω ±5 % }\n  cold-main: { kind'),
        '  hot-feed:',
        '  bleed: [cold-valve.a, bleed, cold-valve.b]\n  hot-feed:',
      ),
    )
    const dead = simulate(makeFaultedMachine(bled, [], [{ hold: bled.isolators[0] }]), {
      steps: [],
      until: 1,
      stopsWhenFinal: false,
      moments: [],
    }).end
    const valve = part(bled, 'cold-valve')
    expect(resistanceIndication(dead, ohms, valve.nodes.a, valve.nodes.b).value).toBeCloseTo(390, 0)
    expect(resistanceIndication(dead, ohms, valve.nodes.a, valve.nodes.b, valve).value).toBeCloseTo(780, 6)
    const warm = machine.values.slice()
    warm[0] = 70
    const hot = simulate(makeFaultedMachine(machine, [], [], warm), {
      steps: [],
      until: 1,
      stopsWhenFinal: false,
      moments: [],
    }).end
    expect(resistanceIndication(hot, ohms, cold.nodes.a, cold.nodes.b, cold).value).toBeCloseTo(
      780 * (1 + 0.00393 * 50),
      4,
    )
  })
  it('a clamp sees inrush with the plunger out and less with it in', () => {
    const running = currentIndication(runTo(machine, 'fill-cold').point, cold).value
    const jammed = currentIndication(
      runTo(machine, 'fill-cold', activeFaultsIn(machine, 'cold-valve.plunger-stuck')).point,
      cold,
    ).value
    expect(running).toBeCloseTo(120 / Math.hypot(780, 2 * Math.PI * 60 * 3.7), 3)
    expect(jammed).toBeCloseTo(120 / Math.hypot(780, 2 * Math.PI * 60 * 1.3), 3)
    expect(jammed / running).toBeGreaterThan(1.5)
  })
  it('an open coil reads OL', () => {
    expect(
      resistanceIndication(
        runTo(machine, 'fill-cold', activeFaultsIn(machine, 'cold-valve.coil-open')).point,
        ohms,
        cold.nodes.a,
        cold.nodes.b,
        cold,
      ).type,
    ).toBe('open')
  })
  it('gauge and bucket at the hose: static pressure, and the flow of the series restrictions', () => {
    const { point } = runTo(machine, 'fill-cold')
    const hose = part(machine, 'cold-hose')
    expect(waterIndication(point, hose, 'out', 'pressure').value).toBeCloseTo(3e5, 0)
    const k = [35, 40, 45].reduce((s, q) => s + 1 / q ** 2, 0)
    expect((waterIndication(point, hose, 'out', 'bucket').value * 60e3) / Math.sqrt(3 / k)).toBeCloseTo(1, 3)
  })
})

describe('sensitivities are what a re-run with the changed value shows', () => {
  it.each([
    ['cold-valve.volts', 'fill-cold', 'mains.volts'],
    ['cold-valve.amps', 'fill-cold', 'cold-valve.ohms'],
    ['cold-valve.amps', 'fill-cold', 'cold-valve.henries-in'],
    ['cold-valve.ohms', 'dead', 'ambient'],
    ['cold-hose.bucket', 'cold', 'cold-main.pressure'],
  ])('%s (%s) to %s', (test, _, id) => {
    const p = predictorOf(FAMILY)
    const { catalogue } = p
    const procedure = catalogue.procedures.find((x) => x.id === test)!
    const param = catalogue.machine.params.find((x) => x.id === id)!
    const base = p.predict(p.healthy, procedure)
    const tenth = freshPredictorOf(FAMILY)
    tenth.catalogue.machine.values[param.index] += param.sd / 100
    const moved = tenth.predict(tenth.healthy, tenth.catalogue.procedures[procedure.index])
    if (base.type !== 'value' || moved.type !== 'value') throw new Error('not a value')
    const direct = (moved.mean - base.mean) * 100
    expect(Math.abs(direct)).toBeGreaterThan(0)
    // One sd of the supply is wide enough for the curvature of the root to show.
    const own = base.sensitivity.values[base.sensitivity.indices.indexOf(param.index)]
    expect(Math.abs(own / direct - 1)).toBeLessThan(0.08)
  })
  it('a changed contact type changes the reading: the float that closes on rise reads open when empty', () => {
    const read = (text: string) => {
      const p = predictorOf(text)
      return p.predict(
        p.healthy,
        p.catalogue.procedures.find((x) => x.id === 'cutoff.ohms')!,
      ).type
    }
    expect(read(mini('boiler'))).toBe('open')
    expect(read(edit(mini('boiler'), 'on-rise: closes', 'on-rise: opens'))).toBe('value')
  })
})

describe('testers', () => {
  it('a neon sees live, not a lost return: it glows on both terminals', () => {
    const neon = findMeter('neon')!
    const glows = (point: OperatingPoint) =>
      [cold.nodes.a, cold.nodes.b].map((n) => neonProbability(point, neon, n) > 0.5)
    expect(glows(runTo(machine, 'fill-cold').point)).toEqual([true, false])
    expect(glows(runTo(machine, 'fill-cold', activeFaultsIn(machine, 'valve-return.broken')).point)).toEqual([
      true,
      true,
    ])
  })
  it('a beeper’s silence on a coil of 780 Ω proves nothing, and between 20 and 250 Ω it depends on the meter', () => {
    const beeper = findMeter('beeper')!
    const { point } = runTo(machine, 'fill-cold')
    expect(beeperProbability(resistanceIndication(point, ohms, cold.nodes.a, cold.nodes.b, cold), beeper)).toBe(0)
    const at = (value: number) => beeperProbability({ type: 'value', value, sensitivity: new Float64Array(0) }, beeper)
    expect([at(5), at(300)]).toEqual([1, 0])
    expect(at(Math.sqrt(20 * 250))).toBeCloseTo(0.5, 12)
  })
  it('an ohmmeter is refused where a voltage stands', () => {
    const { point } = runTo(machine, 'fill-cold')
    expect(resistanceIndication(point, ohms, cold.nodes.a, cold.nodes.b).type).toBe('refused')
  })
  it('with the plug out a control is dead: across one of its inputs the bead reads beside what the input itself leaves', () => {
    const dishwasher = machineOf(findShipped('brindlow-d6')!.text)
    const { isolators } = dishwasher
    const { snapshots } = simulate(makeFaultedMachine(dishwasher), {
      steps: [{ at: 1, hold: [...isolators] }],
      until: 20,
      stopsWhenFinal: false,
      moments: [{ type: 'time', at: 15 }],
    })
    const [bead, input] = ['bead', 'warmth'].map((id) => part(dishwasher, id))
    const read = (alone?: Part) =>
      resistanceIndication(snapshots[0]!, ohms, bead.nodes['1'], bead.nodes['2'], alone).value
    const [own, pullUp] = [read(bead), dishwasher.values[input.param['pull-up']]]
    expect(own).toBeGreaterThan(5e3)
    expect(read()).toBeCloseTo((own * pullUp) / (own + pullUp), 1)
  })
})

describe('rectified loads: what each kind of meter shows', () => {
  const text = (wave: string) => `
sheet: 1
id: rectified
title: A DC coil behind a rectifier
frequency: 50 Hz
panels: { side: { title: side, minutes: 1 min } }
parts:
  mains: { kind: ac-supply, volts: 230 V ±2 %, ohms: 0.4 Ω }
  isolator: { kind: isolator, ohms: 0.01 Ω }
  bridge: { kind: rectifier, wave: ${wave}, ohms: 2 Ω }
  coil: { kind: motor, ohms: 4 kΩ ±5 %, starts: 50 V }
wiring:
  feed: [mains.L, isolator.Lin/Lout, bridge.ac1]
  return: [mains.N, isolator.Nin/Nout, bridge.ac2]
  plus: [bridge.plus, coil.a]
  minus: [bridge.minus, coil.b]
programs: { on: { title: On, lasts: 1 min } }
`
  const read = (wave: string, meter: string, ...faults: string[]) => {
    const m = machineOf(
      `${text(wave)}faults:\n  bridge.one-diode-open: { repair: r }\nrepairs: { r: { title: r, minutes: 5 min } }\n`,
    )
    const { point } = runTo(m, undefined, ...faults.map((f) => activeFaultsIn(m, f)))
    const { nodes } = part(m, 'coil')
    return { shown: voltageIndication(point, findMeter(meter)!, nodes.a, nodes.b), point, m }
  }
  it('full wave: mean 0.900, ripple 0.435 of the RMS; half wave: 0.450 and 0.545', () => {
    // Ideal diodes, 4 kΩ behind 2 Ω of rectifier and 0.4 Ω of supply.
    const stands = (230 * 4000) / 4002.4
    for (const [wave, mean, rms] of [
      ['full', (2 * Math.SQRT2) / Math.PI, 1],
      ['half', Math.SQRT2 / Math.PI, Math.SQRT1_2],
    ] as const) {
      expect(read(wave, 'volts-dc').shown.value / (stands * mean)).toBeCloseTo(1, 3)
      expect(read(wave, 'volts').shown.value / (stands * Math.sqrt(rms ** 2 - mean ** 2))).toBeCloseTo(1, 3)
    }
  })
  it('one open diode halves the mean, and the supply moves the reading in proportion', () => {
    const [whole, halved] = [
      read('full', 'volts-dc').shown.value,
      read('full', 'volts-dc', 'bridge.one-diode-open').shown.value,
    ]
    expect(halved / whole).toBeCloseTo(0.5, 3)
    const { shown, m } = read('full', 'volts-dc')
    const supply = m.params.find((p) => p.id === 'mains.volts')!
    expect(shown.sensitivity[supply.index] / shown.value).toBeCloseTo(supply.sd / supply.nominal, 4)
  })
  it('an ohmmeter finds the rectified coil open through its rectifier', () => {
    const { point, m } = read('full', 'volts')
    const dead = simulate(makeFaultedMachine(m, [], [{ hold: m.isolators[0] }]), {
      steps: [],
      until: 1,
      stopsWhenFinal: false,
      moments: [{ type: 'time', at: 0.5 }],
    }).snapshots[0]!
    const { nodes } = part(m, 'bridge')
    expect(point.hasSource('dc')).toBe(true)
    expect(resistanceIndication(dead, ohms, nodes.ac1, nodes.ac2).type).toBe('open')
  })
})
