import type { Procedure, RunPosition } from '../../diagnosis/catalogue'
import type { Predictor } from '../../diagnosis/predict'
import type { CalledTest, MarkedTest, MeterSpan } from '../../running'
import { describeTest } from '../../words'
import type { MachineCourse } from './course-of'
import { noticedBy, type NoticedSignal } from './lanes-of'
import { phaseLane, phaseSpans, signalLane, signalSpans } from './turns'

/** Which phase a position is in the run of a program; `undefined` where it is none. */
const phaseOf = (position: RunPosition): number | undefined => (position.type === 'phase' ? position.phase : undefined)

/** The tests that marks answer, in the run of one program. */
export function testsOf(
  predictor: Predictor,
  program: number,
  signals: readonly NoticedSignal[],
  course: MachineCourse,
  latestEnd: (phase: number) => number,
): MarkedTest[] {
  const { machine, procedures, runs } = predictor.catalogue
  const spans = phaseSpans(machine, course)
  const title = (p: Procedure) => describeTest(machine, p, predictor.calibration.plan.timesWorked)
  return procedures.flatMap((p): MarkedTest[] => {
    if (runs[p.run].program !== program || runs[p.run].interventions.length || p.needs.asFound) return []
    const { measurement: m, timing } = p
    if (m.type === 'duration') {
      if (!spans.has(m.phase)) return []
      return [
        { type: 'length', test: p.id, title: title(p), lane: phaseLane(machine, m.phase), longest: latestEnd(m.phase) },
      ]
    }
    const own = noticedBy(p)
    if (!own || p.needs.panels.length || p.needs.loosened.length) return []
    const k = signals.findIndex((s) => s.part === own.part && s.signal === own.signal)
    if (k < 0) return []
    const phase =
      timing.type === 'through-phase'
        ? timing.phase
        : timing.type === 'at' || timing.type === 'from'
          ? phaseOf(timing.position)
          : undefined
    const stretch = phase === undefined ? undefined : spans.get(phase)?.[0]
    if (!stretch) return []
    // The turn that stands for it: what is on for most of that phase in a good run.
    const ons = signalSpans(course, k)
    const nth = ons.findIndex((s) => Math.min(s.to, stretch.to) - Math.max(s.from, stretch.from) > 0)
    if (nth < 0) return []
    const lane = signalLane(machine, own)
    if (m.type === 'on-time')
      return [{ type: 'on-time', test: p.id, title: title(p), lane, nth, longest: stretch.to - stretch.from }]
    return m.type === 'watch' && m.asks === 'always' ? [] : [{ type: 'sensed', test: p.id, title: title(p), lane, nth }]
  })
}

/**
 * Live readings of a program that wait for a phase of it.
 *
 * @param shows what a meter that is left at the points of a test shows through a good run
 */
export function callsOf(
  predictor: Predictor,
  program: number,
  shows: (procedure: Procedure) => readonly MeterSpan[],
): CalledTest[] {
  const { machine, procedures, runs } = predictor.catalogue
  return procedures.flatMap((p): CalledTest[] => {
    const { measurement: m, timing, shape } = p
    if (p.workMode !== 'energised' || runs[p.run].program !== program || runs[p.run].interventions.length) return []
    if (!('part' in m) || shape.type !== 'number') return []
    const phase =
      timing.type === 'through-phase' ? timing.phase : timing.type === 'at' ? phaseOf(timing.position) : undefined
    if (phase === undefined) return []
    const title = describeTest(machine, p, predictor.calibration.plan.timesWorked)
    return [
      {
        test: p.id,
        title,
        dimension: shape.dimension,
        lane: phaseLane(machine, phase),
        instrument: p.meter,
        shows: shows(p),
      },
    ]
  })
}
