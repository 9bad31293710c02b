import { benchChecksOf, type BenchCheck } from '../../../model/machine'
import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /**
     * Tried by itself: warmed a few kelvin past where it opens, a measured cup poured into its tray, regulated air at its inlet. Whether it
     * does what a good one does within the band of good ones. `shows`: what that is on this machine.
     */
    bench: { check: 'heated' | 'cup' | 'air'; when: 'isolated'; shows?: BenchCheck }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'bench'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 10,
  isPossible: (m, machine) => benchChecksOf(machine, m.part).some((c) => c.type === m.check),
  completed: (m, machine) => {
    const shows = benchChecksOf(machine, m.part).find((c) => c.type === m.check)
    return shows ? { ...m, shows } : m
  },
  takesLeadsOff: (m) => m.check !== 'cup',
  opens: 'terminals',
  partAlone: () => true,
}
