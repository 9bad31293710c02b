import { describe, expect, it } from 'vitest'
import { portBetween, solveCircuit, type Component } from '../../../core/physics/circuit'
import type { Part } from '../../../core/model/kinds'
import { findMeter, resistanceIndication } from '../../../core/simulation/instrument'
import type { OperatingPoint } from '../../../core/simulation/simulate'
import { shippedPredictor } from '../support/shipped'

/** Ohms by solving the whole network anew, with every source dead: nothing kept, nothing left out. */
function plainOhms(point: OperatingPoint, a: number, b: number, parts: readonly Part[]): number {
  const { machine, addedComponents } = point.faulted
  const all: Component[] = parts === point.faulted.parts ? [...addedComponents] : []
  for (const part of parts) machine.kinds[part.index].stamp?.(part, point, (c) => all.push(c))
  const dead = all
    .filter((c) => c.type !== 'RECT')
    .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))
  const port = portBetween(solveCircuit(machine.nodeCount, dead, 'dc', 0), a, b)
  return port.connected ? port.zRe : Infinity
}

describe('the sensitivity of an ohm reading, branch by branch', () => {
  it.each(['ulldale-g6s', 'tarvost-fl7', 'brindlow-s12', 'quenby-c40'])(
    '%s: is what solving the whole network for each parameter gives',
    (id) => {
      const { catalogue } = shippedPredictor(id)
      const { machine, procedures, healthy } = catalogue
      const meter = findMeter('ohms')!
      let compared = 0
      for (const p of procedures) {
        const m = p.measurement
        if (m.type !== 'ohms') continue
        const point = healthy[p.run]?.snapshots[p.moment]
        if (!point) continue
        const { nodes } = machine.parts[m.part]
        const back = m.b === '@return' ? machine.returnAt[nodes[m.a]]! : { part: m.part, terminal: m.b }
        const [a, b] = [nodes[m.a], machine.parts[back.part].nodes[back.terminal]]
        const alone = m.lifted ? point.faulted.parts[m.part] : undefined
        const parts = alone ? [alone] : point.faulted.parts
        const fast = resistanceIndication(point, meter, a, b, alone)
        if (fast.type !== 'value') continue
        const value = plainOhms(point, a, b, parts)
        expect(fast.value / value, p.id).toBeCloseTo(1, 9)
        machine.params.forEach(({ index, id: param }) => {
          const sd = point.faulted.standardDeviations[index]
          if (sd === 0) return
          const values = point.values.slice()
          values[index] += sd
          const plain = plainOhms(point.withScratchValues(values), a, b, parts) - value
          expect(Math.abs(fast.sensitivity[index] - plain), `${p.id}, ${param}`).toBeLessThan(1e-8 * Math.max(1, value))
          compared++
        })
      }
      expect(compared).toBeGreaterThan(100)
    },
  )
})
