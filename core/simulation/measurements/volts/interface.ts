import type { Machine } from '../../../model/machine'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Voltage between two terminals; `b: '@return'` stands for the return of its circuit. */
    volts: { a: string; b: string; when: 'active' | 'idle' | 'settled' }
  }
}

/** Share of the mean in a voltage above which the meter stands on DC. */
const MOSTLY_DC = 0.7

/** The two nodes of a reading. @param parts as they are wired now; a fault may have swapped plugs, the common stays what it is */
export function voltsNodes(m: MeasurementOf<'volts'>, machine: Machine, parts = machine.parts): [number, number] {
  const { nodes } = parts[m.part]
  const a = nodes[m.a]
  if (m.b !== '@return') return [a, nodes[m.b]]
  const { part, terminal } = machine.returnAt[machine.parts[m.part].nodes[m.a]]!
  return [a, parts[part].nodes[terminal]]
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'volts'>> = {
  shape: () => ({ type: 'number', dimension: 'voltage' }),
  // Where the healthy machine has a mean rather than an alternating voltage, the meter stands on DC.
  meter(m, machine, healthy) {
    if (!healthy.hasSource('ac')) return 'volts-dc'
    const [a, b] = voltsNodes(m, machine)
    return Math.abs(healthy.dcVolts(a, b)) > MOSTLY_DC * healthy.volts(a, b) ? 'volts-dc' : 'volts'
  },
  isPossible: (m, { parts, returnAt }) => m.b !== '@return' || returnAt[parts[m.part].nodes[m.a]] !== undefined,
  minutes: 1,
  opens: 'terminals',
  idleBeforeStart: true,
}
