import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Voltage between two terminals; `b: '@return'` stands for the return of the supply. */
    volts: { a: string; b: string; when: 'active' | 'idle' | 'settled' }
  }
}

/** Share of the mean in a voltage above which the meter stands on DC. */
const MOSTLY_DC = 0.7

export const measurementInterface: MeasurementInterface<MeasurementOf<'volts'>> = {
  shape: () => ({ type: 'number', dimension: 'voltage' }),
  // Where the healthy machine has a mean rather than an alternating voltage, the meter stands on DC.
  meter(m, machine, healthy) {
    const { nodes } = machine.parts[m.part]
    if (!healthy.hasSource('ac')) return 'volts-dc'
    if (m.b === '@return') return 'volts'
    const [a, b] = [nodes[m.a], nodes[m.b]]
    return Math.abs(healthy.dcVolts(a, b)) > MOSTLY_DC * healthy.volts(a, b) ? 'volts-dc' : 'volts'
  },
  minutes: 1.5,
  opens: 'terminals',
  idleBeforeStart: true,
}
