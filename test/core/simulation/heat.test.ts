import { describe, expect, it } from 'vitest'
import { makeFaultedMachine } from '../../../core/model/machine'
import { runPlain } from '../../../core/truth'
import { simulate } from '../../../core/simulation/simulate'
import { advise } from '../../../core/advice'
import { evidenceOf, machineOf, mini, predictorOf, activeFaultsIn } from '../support/sheets'
import { flatText } from '../support/shipped'

const machine = machineOf(mini('heater-tank'))
const run = (fault?: string, values?: Float64Array, until = 2400) =>
  simulate(makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [], [], values), {
    steps: [{ at: 0, start: 0 }],
    until,
    stopsWhenFinal: false,
    moments: [],
  })
const phase = (id: string) => machine.phases.findIndex((p) => p.id === id)
const lasts = (t: ReturnType<typeof run>, id: string) => t.phases[phase(id)].to - t.phases[phase(id)].from
const param = (id: string) => machine.params.find((p) => p.id === id)!.index

describe('heat', () => {
  it('warms as first-order heating does by hand, losses to the room counted in', () => {
    // 4 L from 12 °C to 90 °C: C = 4e-3·4.18e6 J/K, P = U²/R behind the resistances of the loop, 2 W/K lost above 20 °C.
    const healthy = run()
    const tank = machine.parts[machine.partIndex.get('tank')!]
    const start = healthy.samples.find((s) => s.time >= healthy.phases[phase('heating')].from)!.states
    const volume = start[tank.state.volume]
    // It came in at 12 °C and has taken a little from the room while it ran in.
    const first = 20 + start[tank.state.warmth] / (volume + 0.02e-3)
    expect(first).toBeGreaterThan(12)
    expect(first).toBeLessThan(12.1)
    const c = (volume + 0.02e-3) * 4.18e6
    const loop = 0.4 + 0.02 + 0.05 * 3
    const power = (230 / (26.45 + loop)) ** 2 * 26.45
    const rest = 20 + power / 2
    const seconds = (c / 2) * Math.log((rest - first) / (rest - 90))
    expect(lasts(healthy, 'heating') / seconds).toBeCloseTo(1, 3)
  })
  it('windows move with inlet and ambient temperature and with the supply', () => {
    const with1 = (id: string, value: number) => {
      const values = machine.values.slice()
      values[param(id)] = value
      return lasts(run(undefined, values), 'heating')
    }
    const base = lasts(run(), 'heating')
    expect(with1('main.temperature', 25) / base).toBeCloseTo((90 - 25) / (90 - 12), 1)
    expect(with1('mains.volts', 207) / base).toBeCloseTo(1 / 0.81, 1)
    expect(with1('ambient', 35)).toBeLessThan(base)
  })
  it('thermostat, cut-out and element each have a symptom of their own', () => {
    const shown = (fault?: string) => {
      const t = run(fault)
      return machine.sheet.complaints.filter((_, i) => t.complaints[i]).map((c) => c.id)
    }
    expect(shown()).toEqual([])
    expect(shown('heater.open')).toEqual(['no-heat'])
    expect(shown('stat.opens-early')).toEqual(['lukewarm'])
    expect(shown('stat.stuck-closed')).toEqual(['boils'])
    expect(shown('tap.shut')).toEqual(['no-water'])
  })
  it('a thermostat that does not open ends at the cut-out, which stays open', () => {
    const t = run('stat.stuck-closed', undefined, 4000)
    const guard = machine.parts[machine.partIndex.get('guard')!].mode.contact
    expect(t.events.filter((e) => e.type === 'mode' && e.mode === guard)).toHaveLength(1)
    expect(t.end.modes[guard]).toBe(0)
  })
  it('agrees with the plain simulator', () => {
    const script = { steps: [{ at: 0, start: 0 }], until: 900, stopsWhenFinal: false, moments: [] }
    const plain = runPlain(makeFaultedMachine(machine), script)
    const quick = simulate(makeFaultedMachine(machine), script)
    const at = (p: string) => [quick.phases[phase(p)].from, plain.phases.find((x) => x.phase === phase(p))!.time]
    expect(Math.abs(at('heating')[0] - at('heating')[1])).toBeLessThan(0.03)
    // One step more of filling, 1 in 5000, takes so much longer to heat.
    expect(Math.abs(at('ready')[0] - at('ready')[1])).toBeLessThan(0.03 + at('ready')[0] / 4000)
  })
  it('is diagnosed with no line of code that knows it', () => {
    const p = predictorOf(mini('heater-tank'))
    const a = advise(
      p,
      evidenceOf(
        p,
        { complaint: 'no-heat' },
        { test: 'heater.volts', reading: '0.2' },
        { test: 'stat.ohms', reading: '0.1' },
        { test: 'guard.ohms', reading: 'OL' },
      ),
    )
    expect(a.suspects[0].faults.map((f) => f.id)).toEqual(['guard.tripped'])
  })
})

describe('cold', () => {
  const sump = (id: string, vessel: string) => {
    const m = machineOf(flatText(id))
    const t = simulate(makeFaultedMachine(m), {
      steps: [{ at: 0, start: 0 }],
      until: 1000,
      stopsWhenFinal: false,
      moments: [],
    })
    const { state, param } = m.parts[m.partIndex.get(vessel)!]
    const { states } = t.end
    const at = (name: string) => m.values[m.params.find((x) => x.id === name)!.index]
    const above = states[state.warmth] / (states[state.volume] + m.values[param.metal])
    return { celsius: at('ambient') + above, inlet: at('main.temperature') }
  }
  it('a barrel freezes what it takes: the water left in its reservoir is no colder for it', () => {
    const { celsius, inlet } = sump('ulldale-f6', 'res-pan')
    expect(celsius).toBeGreaterThan(inlet - 0.1)
    expect(celsius).toBeLessThan(inlet + 1)
  })
  it('water that runs over a plate and back is cooled to freezing, and no further', () => {
    const { celsius } = sump('quenby-c25', 'reservoir')
    expect(celsius).toBeGreaterThan(-0.01)
    expect(celsius).toBeLessThan(1)
  })
})
