import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  ampsThrough,
  portBetween,
  portVoltageChange,
  solveCircuit,
  voltsBetween,
  type Component,
} from '../../../core/physics/circuit'
import { CHANGED } from '../support/changed-sheets'
import { netlistsOf } from '../support/netlists'

const OMEGA = 2 * Math.PI * 60

/** Whether a node of a netlist is held to the rest by nothing but insulation, 100 MΩ and more. */
function hanging(netlist: string, node: string): boolean {
  const joints = netlist
    .split('\n')
    .map((line) => /^([RLCVEF])\S+ (\S+) (\S+) (?:DC )?(\S+)/.exec(line))
    .filter((m): m is RegExpExecArray => m !== null && !(m[1] === 'R' && Number(m[4]) >= 1e8))
  const reached = new Set(['0'])
  for (let before = 0; before < reached.size;) {
    before = reached.size
    for (const [, , a, b] of joints) if (reached.has(a) || reached.has(b)) reached.add(a).add(b)
  }
  return !reached.has(node)
}

describe('circuit against ngspice', () => {
  const reference = JSON.parse(readFileSync(join(import.meta.dirname, '../../reference/spice.json'), 'utf8')) as {
    name: string
    analysis: 'ac' | 'dc'
    netlist: string
    volts: Record<string, [number, number]>
  }[]
  it('has a committed case for every changed sheet', () => {
    expect(new Set(reference.map((r) => r.name))).toEqual(new Set(Object.keys(CHANGED)))
  })
  it.each(Object.keys(CHANGED))('%s', (name) => {
    const own = netlistsOf(name)
    const cases = reference.filter((r) => r.name === name)
    expect(own.map((o) => o.analysis)).toEqual(cases.map((c) => c.analysis))
    own.forEach(({ netlist, solution }, i) => {
      expect(netlist, 'netlist has changed: run scripts/make-spice-reference.ts').toBe(cases[i].netlist)
      const nodes = Object.entries(cases[i].volts)
      expect(nodes.length).toBeGreaterThan(2)
      for (const [node, [re, im]] of nodes) {
        const k = Number(node)
        // ngspice solves in double precision but ties islands through its own zero: 1e-6 of the value, 1e-9 of 240 V.
        // What hangs by insulation alone is known to either only as far as conductances ten decades apart add up.
        const room = 1e-6 * Math.hypot(re, im) + 1e-9 * 240 + (hanging(netlist, `n${k}`) ? 1e-4 * 240 : 0)
        expect(Math.abs(solution.re[k] - re), `${name}, node ${k}`).toBeLessThanOrEqual(room)
        expect(Math.abs(solution.im[k] - im), `${name}, node ${k}`).toBeLessThanOrEqual(room)
      }
    })
  })
})

describe('circuit by hand', () => {
  const divider: Component[] = [
    { type: 'VAC', a: 0, b: 2, ohms: 1, volts: 120 },
    { type: 'R', a: 0, b: 1, ohms: 99 },
    { type: 'R', a: 1, b: 2, ohms: 100 },
  ]
  it('divides a voltage and gives the Thevenin resistance', () => {
    const s = solveCircuit(3, divider, 'ac', OMEGA)
    expect(voltsBetween(s, 1, 2)).toBeCloseTo(60, 10)
    expect(portBetween(s, 1, 2).zRe).toBeCloseTo(50, 10)
    expect(ampsThrough(s, divider[2])).toBeCloseTo(0.6, 12)
  })
  it('a meter between two parts that share no loop reads nothing', () => {
    const s = solveCircuit(5, [...divider, { type: 'VAC', a: 3, b: 4, ohms: 1, volts: 24 }], 'ac', OMEGA)
    expect(portBetween(s, 1, 3).connected).toBe(false)
    expect(voltsBetween(s, 3, 4)).toBeCloseTo(24, 10)
  })
  it('transforms down and sags under load like the equivalent circuit', () => {
    // 120 V, 5:1, ideal but for windings of 10 Ω and 0.4 Ω: source seen from the secondary is 24 V behind 0.8 Ω.
    const t: Component[] = [
      { type: 'VAC', a: 0, b: 1, ohms: 1e-6, volts: 120 },
      { type: 'T', a: 0, b: 1, c: 2, d: 3, ohms: 10, ohms2: 0.4, henries: 1e5, ratio: 5 },
      { type: 'R', a: 2, b: 3, ohms: 11.2 },
    ]
    expect(voltsBetween(solveCircuit(4, t, 'ac', OMEGA), 2, 3)).toBeCloseTo(24 * (11.2 / 12), 4)
  })
  const network = fc.record({
    n: fc.integer({ min: 3, max: 9 }),
    branches: fc.array(
      fc.record({
        a: fc.nat(8),
        b: fc.nat(8),
        kind: fc.nat(3),
        ohms: fc.double({ min: 0.01, max: 1e5, noNaN: true }),
        x: fc.double({ min: 1e-3, max: 5, noNaN: true }),
      }),
      { minLength: 6, maxLength: 24 },
    ),
  })
  const build = (n: number, branches: { a: number; b: number; kind: number; ohms: number; x: number }[]): Component[] =>
    branches.map(({ a, b, kind, ohms, x }) => {
      const ends = { a: a % n, b: b % n }
      if (kind === 0) return { type: 'VAC', ...ends, ohms, volts: 100 * x }
      if (kind === 1) return { type: 'RL', ...ends, ohms, henries: x }
      if (kind === 2) return { type: 'RC', ...ends, ohms, farads: x * 1e-6 }
      return { type: 'R', ...ends, ohms }
    })
  it('never gives NaN, and adjoint changes agree with solving again', () => {
    fc.assert(
      fc.property(network, ({ n, branches }) => {
        const components = build(n, branches)
        const s = solveCircuit(n, components, 'ac', OMEGA)
        expect(s.re.every(Number.isFinite) && s.im.every(Number.isFinite)).toBe(true)
        const [a, b] = [0, 1]
        const port = portBetween(s, a, b)
        if (!port.connected) return
        const k = components.findIndex((c) => c.a !== c.b)
        if (k < 0) return
        const changed = { ...components[k], ohms: components[k].ohms * (1 + 1e-7) }
        const again = solveCircuit(n, components.with(k, changed), 'ac', OMEGA)
        const [re] = portVoltageChange(s, port, components[k], changed)
        const direct = again.re[a] - again.re[b] - port.re
        expect(Math.abs(re - direct)).toBeLessThan(1e-7 * (1e-3 + 1e-3 * Math.hypot(port.re, port.im)) + 1e-9)
      }),
      { seed: 7, numRuns: 200 },
    )
  })
})
