import { findMeter } from '../../simulation/instrument'
import { measurementType, type Measurement } from '../../simulation/measurements'
import type { OperatingPoint } from '../../simulation/simulate'

/** Share by which a reading may differ and still be the same. */
const SAME = 0.05

/**
 * Whether a reading of the water shows what it should only while the machine is fed: behind a valve that lets water through as
 * long as there is power, a hose of a machine that has been made safe is dry.
 */
export function needsPower(
  measurement: Measurement,
  meter: string,
  fed: OperatingPoint,
  dead: OperatingPoint,
): boolean {
  const valueAt = (point: OperatingPoint): number => {
    const scene = { point, meter: findMeter(meter), activeFaults: [], displayedCode: undefined, watched: undefined }
    const shown = measurementType(measurement).observe(measurement, scene)
    return shown.type === 'indication' ? shown.indication.value : 0
  }
  const [on, off] = [valueAt(fed), valueAt(dead)]
  return Math.abs(on - off) > SAME * Math.max(Math.abs(on), Math.abs(off))
}
