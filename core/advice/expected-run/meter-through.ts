import type { Procedure } from '../../diagnosis/catalogue'
import { findMeter } from '../../simulation/instrument'
import { measurementType } from '../../simulation/measurements'
import type { OperatingPoint } from '../../simulation/simulate'
import type { MeterSpan } from '../../running'
import type { MachineCourse } from './course-of'

/** What switches within this time switches together, s: no meter shows what lies between. */
const TOGETHER = 0.1
/** More stretches no meter is compared with. */
const MOST_STRETCHES = 400
/** What differs by less is one value, share of the larger; and less than this is nothing, SI. */
const SAME = 0.02
const NOTHING = 1e-3

/** A stretch in which nothing switches, with the machine in its middle. */
export interface Stretch {
  from: number
  to: number
  point: OperatingPoint
}

/** @param look the machine at these moments, s since the start */
export function stretchesOf(
  { changes, ended }: MachineCourse,
  look: (times: readonly number[]) => readonly { at: number; point: OperatingPoint }[],
): Stretch[] {
  const bounds = [0]
  for (const at of [...changes].sort((a, b) => a - b)) if (at > bounds.at(-1)! + TOGETHER && at < ended) bounds.push(at)
  const spans = bounds.slice(0, MOST_STRETCHES).map((from, k) => ({ from, to: bounds[k + 1] ?? ended }))
  const points = new Map(look(spans.map((s) => (s.from + s.to) / 2)).map(({ at, point }) => [at, point]))
  return spans.flatMap((s) => {
    const point = points.get((s.from + s.to) / 2)
    return point ? [{ ...s, point }] : []
  })
}

/** What a meter that is left at the points of a test shows through a run. */
export function throughRun({ measurement, meter }: Procedure, stretches: readonly Stretch[]): MeterSpan[] {
  const spans: MeterSpan[] = []
  const own = meter === undefined ? undefined : findMeter(meter)
  if (!own) return spans
  for (const { from, to, point } of stretches) {
    const seen = measurementType(measurement).observe(measurement, {
      point,
      meter: own,
      activeFaults: [],
      displayedCode: undefined,
      watched: undefined,
    })
    if (seen.type !== 'indication' || seen.indication.type === 'refused') continue
    const si = seen.indication.type === 'open' ? Infinity : seen.indication.value
    const last = spans.at(-1)
    const same =
      last &&
      last.to === from &&
      (last.si === si || Math.abs(last.si - si) <= Math.max(NOTHING, SAME * Math.max(Math.abs(last.si), Math.abs(si))))
    if (same) last.to = to
    else spans.push({ from, to, si })
  }
  return spans
}
