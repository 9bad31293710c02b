import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { KINDS, type Kind } from '../../../core/model/kinds'
import { makeFaultedMachine } from '../../../core/model/machine'
import { parseQuantity } from '../../../core/foundation/quantity'
import { simulate } from '../../../core/simulation/simulate'
import { indexes } from '../../../scripts/generate-indexes.mjs'
import { edit, FAMILY, machineOf, mini, activeFaultsIn, runTo } from '../support/sheets'

/** A sheet of a few parts around one supply, run for a while. */
function tiny(parts: string, wiring: string, extra = ''): string {
  return `sheet: 1
id: tiny
title: Tiny
frequency: 60 Hz
parts:
  mains: { kind: ac-supply, volts: 120 V, ohms: 0.001 Ω }
${parts}
wiring:
${wiring}
programs:
  run: { title: Run, lasts: 10 min }
${extra}`
}

describe('every kind keeps its contract', () => {
  it('stands in the list that is made from the folders', () => {
    for (const { file, text } of indexes()) expect(readFileSync(file, 'utf8')).toBe(text)
  })
  const modeValues = (k: Kind, mode: string) => k.modes?.find((m) => m.name === mode)?.values
  it.each(KINDS.map((k) => [k.id, k] as const))('%s', (_, k) => {
    const signals = Object.keys(k.signals ?? {})
    for (const [name, p] of Object.entries(k.params)) {
      if (p.typical === undefined) continue
      const q = parseQuantity(p.typical, p.dimension)
      expect(q.ok, `${name}: ${p.typical}`).toBe(true)
      if (q.ok && p.min !== undefined) expect(q.value.value).toBeGreaterThanOrEqual(p.min)
      if (q.ok && p.max !== undefined) expect(q.value.value).toBeLessThanOrEqual(p.max)
    }
    for (const m of k.modes ?? [])
      if (typeof m.initial === 'number') expect(m.values[m.initial]).toBeDefined()
      else for (const word of k.choices![m.initial.choice]) expect(m.values).toContain(word)
    for (const [id, f] of Object.entries(k.faults ?? {})) {
      expect(f.ratePerYear, id).toBeGreaterThan(0)
      for (const e of f.effects)
        if ('mode' in e) expect(modeValues(k, e.mode), id).toContain(e.at)
        else {
          expect(Object.keys(k.params), id).toContain(e.param)
          if (Object.values(e).includes('severity')) expect(f.severity, id).toBeDefined()
        }
      if (f.severity) expect(f.severity.from).toBeLessThan(f.severity.to)
    }
    const choice = Object.fromEntries(Object.entries(k.choices ?? {}).map(([n, all]) => [n, all.at(-1)]))
    const probes = k.measurements?.({ choice } as never) ?? []
    expect(new Set(probes.map((p) => p.id)).size).toBe(probes.length)
    for (const p of probes) {
      if (p.type === 'ohms' || p.type === 'volts')
        for (const end of [p.a, p.b]) expect([...k.terminals, '@return'], p.id).toContain(end)
      if (p.type === 'sense' || p.type === 'display') expect(signals, p.id).toContain(p.signal)
      if (p.type === 'bucket' || p.type === 'pressure') expect(k.ports, p.id).toContain(p.port)
    }
    if (k.command !== undefined) expect(modeValues(k, k.command)).toHaveLength(2)
    if (k.manual) expect(modeValues(k, k.manual.mode)?.[k.manual.disconnected]).toBeDefined()
    if (k.active !== undefined) expect(signals).toContain(k.active)
    if (k.returns !== undefined) expect(k.terminals).toContain(k.returns.terminal)
    if (k.insulated) expect(k.insulated.flat().sort()).toEqual([...k.terminals].sort())
  })
  it('every kind but an input that only counts, vessels and what is dissolved in them can fail', () => {
    expect(KINDS.filter((k) => !k.faults).map((k) => k.id)).toEqual(['analog-input', 'salts', 'vessel'])
  })
})

describe('elements by hand', () => {
  const relay = tiny(
    '  relay: { kind: relay, ohms: 1000 Ω, henries: 1 H, pull-in: 80 V, drop-out: 40 V }\n  load: { kind: resistor, ohms: 60 Ω }\n  drop: { kind: resistor, ohms: 200 Ω }',
    '  coil: [mains.L, drop, relay.a/b, mains.N]\n  contact: [mains.L, relay.com/no, load, mains.N]',
  )
  it('a relay pulls in over its threshold and the coil sees the divided voltage', () => {
    const m = machineOf(relay)
    const { point } = runTo(m)
    const part = m.parts[m.partIndex.get('relay')!]
    // 120 V over 200 Ω + (1000 Ω + j377 Ω): |Z_coil| / |Z_all|
    expect(point.volts(part.nodes.a, part.nodes.b)).toBeCloseTo(
      (120 * Math.hypot(1000, 2 * Math.PI * 60)) / Math.hypot(1200, 2 * Math.PI * 60),
      2,
    )
    expect(point.amps(m.parts[m.partIndex.get('load')!])).toBeCloseTo(120 / 60.051, 2)
  })
  it('between drop-out and pull-in a relay stays as it was', () => {
    const m = machineOf(relay)
    const at = (volts: number, pulled: number) => {
      const values = m.values.slice()
      values[m.parts[0].param.volts] = volts
      const v = makeFaultedMachine(m, [], [], values)
      const start = m.modes.slice()
      start[m.parts[m.partIndex.get('relay')!].mode.armature] = pulled
      const run = simulate(
        { ...v, machine: { ...m, modes: start } },
        { steps: [], until: 1, stopsWhenFinal: false, moments: [] },
      )
      return run.end.modes[m.parts[m.partIndex.get('relay')!].mode.armature]
    }
    expect([at(70, 0), at(70, 1), at(110, 0), at(40, 1)]).toEqual([0, 1, 1, 0])
  })
  it('a transformer, a heater and a fuse in one loop give the current of the equivalent circuit', () => {
    const m = machineOf(
      tiny(
        '  t: { kind: transformer, ratio: 5, primary-ohms: 10 Ω, secondary-ohms: 0.4 Ω, henries: 1000 H }\n  fuse: { kind: fuse, ohms: 0.2 Ω }\n  heater: { kind: heater, ohms: 11 Ω }',
        '  primary: [mains.L, t.p1/p2, mains.N]\n  secondary: [t.s1, fuse, heater, t.s2]',
      ),
    )
    expect(runTo(m).point.amps(m.parts[m.partIndex.get('heater')!])).toBeCloseTo(24 / (0.8 + 0.2 + 11), 3)
  })
  it('a low supply does not pull a valve in, and too little pressure does not open it', () => {
    const m = machineOf(FAMILY.replaceAll('pull-in: 78 V', 'pull-in: 108 V'))
    const valve = m.partIndex.get('cold-valve')!
    const passes = (id: string, severity: number) =>
      runTo(m, 'fill-cold', activeFaultsIn(m, id, severity)).point.signal(valve, 'passes')
    // 120 V × 0.85 = 102 V is under the 108 V of this valve, and over the 85 V at which the board wakes.
    expect([passes('mains.low', 0.85), passes('mains.low', 0.95)]).toEqual([0, 1])
    // 3 bar × 0.09 = 0.27 bar is under the 0.3 bar the valve needs, 0.12 is over.
    expect([passes('cold-main.weak', 0.09), passes('cold-main.weak', 0.12)]).toEqual([0, 1])
  })
  it('a float switch trips and returns at its own levels', () => {
    const m = machineOf(mini('boiler'))
    const { timeline } = runTo(m, 'heating')
    const float = m.parts[m.partIndex.get('cutoff')!].mode.float
    const tank = m.parts[m.partIndex.get('tank')!]
    const up = timeline.events.find((e) => e.type === 'mode' && e.mode === float && e.value === 1)!
    const sample = timeline.samples.find((s) => s.time >= up.time)!
    expect(sample.states[tank.state.volume] / 0.04).toBeCloseTo(0.1, 4)
  })
  it('the vessel of a self-draining boiler empties with the power off, the other kind holds', () => {
    const held = edit(
      edit(mini('boiler'), 'rest: open', 'rest: closed'),
      '  drain: [board.L, drain-out, drain-valve, board.N]\n',
      '',
    )
    const left = (text: string) => {
      const m = machineOf(text)
      const run = simulate(makeFaultedMachine(m), {
        steps: [{ at: 300, hold: [...m.isolators] }],
        until: 480,
        stopsWhenFinal: false,
        moments: [],
      })
      return run.end.signal(m.partIndex.get('tank')!, 'level')
    }
    expect(left(mini('boiler'))).toBeLessThan(0.02)
    expect(left(held)).toBeCloseTo(0.22, 3)
  })
  it('a pump runs dry only down to its priming level, and overflow is counted, not lost', () => {
    const m = machineOf(FAMILY)
    const { timeline } = runTo(m, 'done')
    expect(timeline.end.signal(m.partIndex.get('tub')!, 'level')).toBeGreaterThan(0.003)
    const flood = edit(FAMILY, '- { when: level.level >= 250 mm, to: overfull, alarm: OF }\n', '')
    const f = machineOf(flood)
    const run = runTo(f, 'fill-hot', activeFaultsIn(f, 'tube.leaking', 0.2)).timeline
    const tub = f.partIndex.get('tub')!
    expect(run.end.signal(tub, 'spilled')).toBeGreaterThan(0)
    expect(run.end.signal(tub, 'level')).toBeLessThan(0.401)
  })
})
