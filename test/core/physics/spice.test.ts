import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { coupleRectifiers, solveCircuit, voltsBetween, type Component } from '../../../core/physics/circuit'
import {
  beeperProbability,
  findMeter,
  currentIndication,
  neonProbability,
  resistanceIndication,
  voltageIndication,
} from '../../../core/simulation/instrument'
import {
  drawNetwork,
  elementPlant,
  ELEMENTS,
  HERTZ,
  INSTRUMENTS,
  NETWORKS,
  returnOf,
  type Instrument,
} from '../support/spice-cases'

const OMEGA = 2 * Math.PI * HERTZ
type Volts = Record<string, [number, number]>
const read = <T>(name: string): T =>
  JSON.parse(readFileSync(join(import.meta.dirname, '../../reference', name), 'utf8')) as T
const between = (volts: Volts, a: number, b: number): number => {
  const [x, y] = [volts[a] ?? [0, 0], volts[b] ?? [0, 0]]
  return Math.hypot(x[0] - y[0], x[1] - y[1])
}
/** 1e-6 of the value and 1e-9 of a source of 230 V. */
const room = (value: number) => 1e-6 * Math.abs(value) + 1e-9 * 230

/** Magnitude of a two-terminal component's impedance at the supply frequency, and on DC. */
function impedance(c: Component): number {
  if (c.type === 'RL') return Math.hypot(c.ohms, OMEGA * c.henries)
  if (c.type === 'RC') return Math.hypot(c.ohms, 1 / (OMEGA * c.farads))
  return 'ohms' in c ? c.ohms : NaN
}
const dcOhms = (c: Component): number => (c.type === 'RC' ? Infinity : 'ohms' in c ? c.ohms : NaN)

describe('networks drawn from seeds, against ngspice', () => {
  const cases = read<{ seed: number; ac: Volts; dc: Volts }[]>('networks.json')
  it('every node of every network, at 50 Hz and on DC', () => {
    expect(cases).toHaveLength(NETWORKS)
    let compared = 0
    for (const { seed, ...volts } of cases) {
      const { nodes, components } = drawNetwork(seed)
      for (const analysis of ['ac', 'dc'] as const) {
        const mine = solveCircuit(nodes, components, analysis, OMEGA)
        for (const [node, [re, im]] of Object.entries(volts[analysis])) {
          const k = Number(node)
          const near = room(Math.hypot(re, im))
          expect(Math.abs(mine.re[k] - re), `network ${seed}, ${analysis}, node ${k}`).toBeLessThanOrEqual(near)
          expect(Math.abs(mine.im[k] - im), `network ${seed}, ${analysis}, node ${k}`).toBeLessThanOrEqual(near)
          compared++
        }
      }
    }
    expect(compared).toBeGreaterThan(1500)
  })
})

describe('every element under every instrument, against ngspice', () => {
  const cases = read<{ element: string; instrument: Instrument; volts: Volts }[]>('instruments.json')
  it('has no empty cell', () => {
    expect(cases.map((c) => `${c.element}|${c.instrument}`)).toEqual(
      Object.keys(ELEMENTS).flatMap((e) => INSTRUMENTS.map((i) => `${e}|${i}`)),
    )
  })
  it.each(Object.keys(ELEMENTS))('%s', (element) => {
    for (const { instrument, volts } of cases.filter((c) => c.element === element)) {
      const meter = findMeter(instrument)!
      const dead = meter.dimension === 'resistance'
      const { point, a, b, part } = elementPlant(element, dead)
      const shown = between(volts, a, b)
      const label = `${element}, ${instrument}`
      switch (instrument) {
        case 'ohms':
        case 'beeper': {
          const mine = resistanceIndication(point, meter, a, b)
          if (mine.type === 'refused') {
            // A cell of its own still stands behind the points.
            expect(point.volts(a, b), label).toBeGreaterThan(1)
            continue
          }
          // One volt behind one kilohm: what is left of it tells the ohms.
          const ohms = shown > 1 - 1e-9 ? Infinity : (1000 * shown) / (1 - shown)
          if (ohms > 40e6) expect(mine.type === 'open' || mine.value > 40e6, label).toBe(true)
          else expect(Math.abs(mine.value - ohms), label).toBeLessThanOrEqual(2e-5 * ohms + 1e-6)
          if (instrument === 'beeper') {
            const limits = Math.min(1, Math.max(0, Math.log(ohms / 20) / Math.log(250 / 20)))
            expect(beeperProbability(mine, meter), label).toBeCloseTo(1 - limits, 4)
          }
          break
        }
        case 'clamp': {
          // Ohm's law on the element's own voltage, by the impedance that its kind stamps; a clamp adds AC and DC.
          const [own] = point.componentsOf(point.faulted.parts[part])
          const dc = between(cases.find((c) => c.element === element && c.instrument === 'volts-dc')!.volts, a, b)
          const amps = own ? Math.hypot(shown / impedance(own), dc / dcOhms(own)) : 0
          const near = element === 'rectified load' || element === 'dc supply' ? 1e-4 : 2e-6
          const mine = currentIndication(point, point.faulted.parts[part]).value
          expect(Math.abs(mine - amps), `${label}: ${mine} against ${amps}`).toBeLessThanOrEqual(near * amps + 1e-9)
          break
        }
        case 'neon': {
          const live = between(volts, a, returnOf(point))
          const glows = live <= 45 ? 0 : live >= 80 ? 1 : Math.log(live / 45) / Math.log(80 / 45)
          expect(neonProbability(point, meter, a), label).toBeCloseTo(glows, 4)
          break
        }
        default:
          // The ripple of a rectified load is no part of a phasor; its figures stand in the test of waveforms.
          if (element === 'rectified load' && meter.coupling === 'ac') continue
          expect(Math.abs(voltageIndication(point, meter, a, b).value - shown), label).toBeLessThanOrEqual(room(shown))
      }
    }
  })
})

describe('rectified loads against diodes in the time domain', () => {
  it.each(read<{ wave: 'half' | 'full'; mean: number; rms: number }[]>('rectified.json'))(
    '$wave wave',
    ({ wave, mean, rms }) => {
      const components: Component[] = [
        { type: 'VAC', a: 0, b: 1, ohms: 0.5, volts: 230 },
        { type: 'RECT', a: 0, b: 1, c: 2, d: 3, ohms: 1e-3, wave, load: Infinity, volts: 0 },
        { type: 'R', a: 2, b: 3, ohms: 400 },
      ]
      const { dc } = coupleRectifiers(4, components, OMEGA)
      const mine = voltsBetween(dc, 2, 3)
      // Diodes that drop a little, finite steps, and a supply of 0.5 Ω that bends the half wave: within 1 in 1000.
      expect(Math.abs(mine / mean - 1)).toBeLessThan(1e-3)
      const ripple = wave === 'full' ? Math.sqrt(Math.PI ** 2 / 8 - 1) : Math.sqrt(Math.PI ** 2 / 4 - 1)
      expect(Math.abs(Math.hypot(mine, mine * ripple) / rms - 1)).toBeLessThan(1e-3)
    },
  )
})
