import type { Machine } from '../../../model/machine'
import type { MeasurementOf, MeasurementPrediction } from '../contract'
import { observeVoltage } from '../observe-voltage'

/** The part and terminal that readings to the return are taken against. */
function returnOf({ kinds }: Machine): { part: number; terminal: string } {
  const part = kinds.findIndex((k) => k.returns !== undefined)
  return { part, terminal: kinds[part].returns! }
}

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'volts'>> = {
  observe(m, { point, meter }) {
    const { machine, parts } = point.faulted
    const to = m.b === '@return' ? returnOf(machine) : { part: m.part, terminal: m.b }
    return observeVoltage(point, meter!, parts[m.part].nodes[m.a], parts[to.part].nodes[to.terminal])
  },
}
