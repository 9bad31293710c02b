import { describe, expect, it } from 'vitest'
import { findMeter, showAmps, showOhms, showVolts, showWater } from '../../core/instrument'
import { makeVariant, type Machine } from '../../core/machine'
import type { Plant } from '../../core/simulate'
import { simulate } from '../../core/simulate'
import { edit, FAMILY, machineOf, mini, predictorOf, presentIn, runTo } from './sheets'

const volts = findMeter('volts')!
const lowz = findMeter('volts-lowz')!
const ohms = findMeter('ohms')!
const machine = machineOf(FAMILY)
const part = (m: Machine, id: string) => m.parts[m.partIndex.get(id)!]
const cold = part(machine, 'cold-valve')
const across = (plant: Plant, meter = volts) => showVolts(plant, meter, cold.e.a, cold.e.b).value

describe('meters as part of the circuit', () => {
  it('a snubber leaves a ghost voltage on 10 MΩ that falls on a low-impedance input', () => {
    const faults = [presentIn(machine, 'cold-valve.coil-open'), presentIn(machine, 'cold-out.dead')]
    const { plant } = runTo(machine, 'fill-cold', ...faults)
    // 10 nF at 60 Hz is 265 kΩ, in series with 100 Ω, before an open coil: only the meter loads it.
    const x = 1 / (2 * Math.PI * 60 * 10e-9)
    expect(across(plant)).toBeCloseTo((120 * 10e6) / Math.hypot(10e6 + 100, x), 0)
    expect(across(plant, lowz)).toBeCloseTo((120 * 3000) / Math.hypot(3100, x), 1)
    expect(across(plant, lowz)).toBeGreaterThan(0.5)
  })
  it('a high-resistance joint shows full voltage unloaded and collapses at the valve under load', () => {
    const joint = presentIn(machine, 'cold-plug.corroded', 5000)
    const loaded = across(runTo(machine, 'fill-cold', joint).plant)
    const unloaded = across(runTo(machine, 'fill-cold', joint, presentIn(machine, 'cold-valve.coil-open')).plant)
    expect(unloaded).toBeGreaterThan(119)
    // Plunger out: 780 Ω + j·2π·60·1.3 Ω behind about 5 kΩ.
    expect(loaded).toBeCloseTo((120 * Math.hypot(780, 490.1)) / Math.hypot(5780, 490.1), 0)
  })
  it('with the return lost both terminals are live and nothing stands between them', () => {
    const { plant } = runTo(machine, 'fill-cold', presentIn(machine, 'valve-return.broken'))
    const neutral = part(machine, 'mains').e.N
    expect(showVolts(plant, volts, cold.e.a, neutral).value).toBeGreaterThan(115)
    expect(showVolts(plant, volts, cold.e.b, neutral).value).toBeGreaterThan(100)
    expect(across(plant)).toBeLessThan(15)
  })
  it('0 V across an open switch when the rest of the loop is open too', () => {
    const bare = machineOf(FAMILY.replaceAll(', snubber: fitted', ''))
    const lid = part(bare, 'lid')
    const read = (...ids: string[]) =>
      showVolts(runTo(bare, 'fill-cold', ...ids.map((i) => presentIn(bare, i))).plant, volts, lid.e['1'], lid.e['2'])
        .value
    expect(read()).toBeLessThan(0.1)
    expect(read('lid.stuck-open')).toBeGreaterThan(119)
    expect(read('lid.stuck-open', 'cold-valve.coil-open')).toBeLessThan(0.1)
  })
  it('ohms in the circuit are spoilt by a parallel path; lifted they are the coil alone, hot copper reads high', () => {
    const bled = machineOf(
      edit(
        edit(FAMILY, '  cold-main: { kind', '  bleed: { kind: resistor, ohms: 780 Ω ±5 % }\n  cold-main: { kind'),
        '  hot-feed:',
        '  bleed: [cold-valve.a, bleed, cold-valve.b]\n  hot-feed:',
      ),
    )
    const dead = simulate(makeVariant(bled, [], [{ hold: bled.isolators[0] }]), {
      steps: [],
      until: 1,
      stopsWhenFinal: false,
      moments: [],
    }).end
    const valve = part(bled, 'cold-valve')
    expect(showOhms(dead, ohms, valve, 'a', 'b', false).value).toBeCloseTo(390, 0)
    expect(showOhms(dead, ohms, valve, 'a', 'b', true).value).toBeCloseTo(780, 6)
    const warm = machine.values.slice()
    warm[0] = 70
    const hot = simulate(makeVariant(machine, [], [], warm), {
      steps: [],
      until: 1,
      stopsWhenFinal: false,
      moments: [],
    }).end
    expect(showOhms(hot, ohms, cold, 'a', 'b', true).value).toBeCloseTo(780 * (1 + 0.00393 * 50), 4)
  })
  it('a clamp sees inrush with the plunger out and less with it in', () => {
    const running = showAmps(runTo(machine, 'fill-cold').plant, cold).value
    const jammed = showAmps(
      runTo(machine, 'fill-cold', presentIn(machine, 'cold-valve.plunger-stuck')).plant,
      cold,
    ).value
    expect(running).toBeCloseTo(120 / Math.hypot(780, 2 * Math.PI * 60 * 3.7), 3)
    expect(jammed).toBeCloseTo(120 / Math.hypot(780, 2 * Math.PI * 60 * 1.3), 3)
    expect(jammed / running).toBeGreaterThan(1.5)
  })
  it('an open coil reads OL', () => {
    expect(
      showOhms(
        runTo(machine, 'fill-cold', presentIn(machine, 'cold-valve.coil-open')).plant,
        ohms,
        cold,
        'a',
        'b',
        true,
      ).is,
    ).toBe('open')
  })
  it('gauge and bucket at the hose: static pressure, and the flow of the series restrictions', () => {
    const { plant } = runTo(machine, 'fill-cold')
    const hose = part(machine, 'cold-hose')
    expect(showWater(plant, hose, 'out', 'pressure').value).toBeCloseTo(3e5, 0)
    const k = [35, 40, 45].reduce((s, q) => s + 1 / q ** 2, 0)
    expect((showWater(plant, hose, 'out', 'bucket').value * 60e3) / Math.sqrt(3 / k)).toBeCloseTo(1, 3)
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
    const { bench } = p
    const procedure = bench.procedures.find((x) => x.id === test)!
    const param = bench.machine.params.find((x) => x.id === id)!
    const base = p.predict(p.members[0], procedure)
    const tenth = predictorOf(FAMILY)
    tenth.bench.machine.values[param.index] += param.sd / 100
    const moved = tenth.predict(tenth.members[0], tenth.bench.procedures[procedure.index])
    if (base.is !== 'value' || moved.is !== 'value') throw new Error('not a value')
    const direct = (moved.mean - base.mean) * 100
    expect(Math.abs(direct)).toBeGreaterThan(0)
    // One sd of the supply is wide enough for the curvature of the root to show.
    expect(Math.abs(base.sensitivity[param.index] / direct - 1)).toBeLessThan(0.08)
  })
  it('a changed contact type changes the reading: the float that closes on rise reads open when empty', () => {
    const read = (text: string) => {
      const p = predictorOf(text)
      return p.predict(
        p.members[0],
        p.bench.procedures.find((x) => x.id === 'cutoff.ohms')!,
      ).is
    }
    expect(read(mini('boiler'))).toBe('open')
    expect(read(edit(mini('boiler'), 'on-rise: closes', 'on-rise: opens'))).toBe('value')
  })
})
