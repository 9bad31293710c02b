import type { MeasurementInterface, MeasurementOf } from '../contract'
import { hasReturn, probedNodes } from '../probed-nodes'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** Voltage between two terminals; `b: '@return'` stands for the return of its circuit. */
    volts: { a: string; b: string; when: 'active' | 'idle' | 'settled' }
  }
}

/** Share of the mean in a voltage above which the meter stands on DC. */
const MOSTLY_DC = 0.7

export const measurementInterface: MeasurementInterface<MeasurementOf<'volts'>> = {
  shape: () => ({ type: 'number', dimension: 'voltage' }),
  // Where the healthy machine has a mean rather than an alternating voltage, the meter stands on DC.
  meter(m, machine, healthy) {
    if (!healthy.hasSource('ac')) return 'volts-dc'
    const [a, b] = probedNodes(m, machine)
    return Math.abs(healthy.dcVolts(a, b)) > MOSTLY_DC * healthy.volts(a, b) ? 'volts-dc' : 'volts'
  },
  isPossible: hasReturn,
  minutes: 1,
  inColumn: true,
  opens: 'terminals',
  idleBeforeStart: true,
}
