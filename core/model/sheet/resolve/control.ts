import { atomsOf, signalsIn, type Condition } from '../condition'
import type { SignalSpec } from '../../kinds'
import type { HandSetting, Sheet, SheetAlarm } from '../types'
import { entries, oneOf, type Path } from './problem-collector'
import type { Scope } from './scope'

/** How long a program runs that is given no time, s. */
const DEFAULT_PERIOD = 3600

/** A signal by its part and name; where there is none that is said. */
function signalAt(
  { collector, find }: Scope,
  { part: id, signal: name }: { part: string; signal: string },
  path: Path,
): SignalSpec | undefined {
  const part = find(id, path)
  const signal = part?.kind.signals?.[name]
  if (part && !signal)
    collector.report('unknown-signal', path, {
      found: `${id}.${name}`,
      expected: oneOf(Object.keys(part.kind.signals ?? {})),
    })
  return signal
}

/** A condition whose names and units all fit. */
export function resolveCondition(scope: Scope, text: string, path: Path): Condition {
  const { collector, phases, alarms } = scope
  const condition = collector.condition(text, path)
  for (const a of atomsOf(condition)) {
    if (a.type === 'phase' && !phases.has(a.phase))
      collector.report('unknown-phase', path, { found: a.phase, expected: oneOf(phases) })
    if (a.type === 'alarm' && !alarms.has(a.alarm))
      collector.report('missing', path, { found: `alarm ${a.alarm}`, expected: 'an alarm of this sheet' })
    const [signal, other] = signalsIn(a).map((s) => signalAt(scope, s, path))
    if (!signal || (a.type !== 'compare' && !other)) continue
    const dimension = a.type === 'compare' ? a.dimension : other?.dimension
    if (dimension !== signal.dimension || signal.dimension === undefined)
      collector.report('wrong-dimension', path, {
        found: text,
        expected: signal.dimension ? `a ${signal.dimension}` : 'no comparison: this signal is yes or no',
      })
  }
  return condition
}

/** The alarms, in the order of writing. */
export const resolveAlarms = (scope: Scope): SheetAlarm[] =>
  entries(scope.written.alarms).map(([code, a]) => ({
    code,
    title: a.title,
    means: a.means ?? a.title,
    lamps: a.lamps,
    clears: a.clears === undefined ? undefined : resolveCondition(scope, a.clears, ['alarms', code, 'clears']),
    retained: a.keeps ?? false,
  }))

/** The phases with what they switch on and how they are left; times in s. */
export function resolvePhases(scope: Scope): Sheet['phases'] {
  const { collector, find, written } = scope
  return entries(written.phases).map(([id, p]) => {
    const path: Path = ['phases', id]
    const on = p.on ?? []
    on.forEach((name, i) => {
      const part = find(name, [...path, 'on', i])
      if (part && part.kind.command === undefined)
        collector.report('wrong-shape', [...path, 'on', i], {
          found: name,
          expected: 'a part that the control can switch',
        })
    })
    const exits = (p.exits ?? []).map((e, i) => {
      if (!scope.phases.has(e.to))
        collector.report('unknown-phase', [...path, 'exits', i, 'to'], { found: e.to, expected: oneOf(scope.phases) })
      if (e.alarm !== undefined && !scope.alarms.has(e.alarm))
        collector.report('missing', [...path, 'exits', i, 'alarm'], {
          found: e.alarm,
          expected: 'an alarm of this sheet',
        })
      return { when: resolveCondition(scope, e.when, [...path, 'exits', i, 'when']), to: e.to, alarm: e.alarm }
    })
    if (exits.length === 0 && !p.final)
      collector.report('no-exit', path, { found: id, expected: 'an exit, or final: true' })
    const fitted = on.filter((name) => !scope.isAbsent(name))
    return { id, title: p.title, on: fitted, exits, final: p.final ?? false }
  })
}

/** What a hand holds, as far as a hand can. @param written by PART or PART.MODE */
export function handSettings(
  { collector, find }: Scope,
  written: Readonly<Record<string, string>> | undefined,
  path: Path,
): HandSetting[] {
  return Object.entries(written ?? {}).flatMap(([target, value]) => {
    const [partId, named] = target.split('.')
    const part = find(partId, [...path, target])
    if (!part) return []
    const { manual: hand, forcible: forced = [], modes = [] } = part.kind
    const reachable = [...(hand ? [hand.mode] : []), ...forced]
    const mode = modes.find((m) => m.name === (named ?? reachable[0]) && reachable.includes(m.name))
    if (mode?.values.includes(value)) return [{ part: partId, mode: mode.name, value }]
    collector.report('out-of-range', [...path, target], {
      found: value,
      expected: mode
        ? oneOf(mode.values)
        : reachable.length
          ? oneOf(reachable.map((m) => `${partId}.${m}`))
          : 'a part that a hand works',
    })
    return []
  })
}

/** The programs with the phase that each begins with. */
export function resolvePrograms(scope: Scope): Sheet['programs'] {
  const { collector, written } = scope
  return entries(written.programs).map(([id, p]) => {
    const path: Path = ['programs', id]
    if (p.begins !== undefined && !scope.phases.has(p.begins))
      collector.report('unknown-phase', [...path, 'begins'], { found: p.begins, expected: oneOf(scope.phases) })
    const resets = p.resets ?? []
    resets.forEach((code, i) => {
      if (!scope.alarms.has(code))
        collector.report('missing', [...path, 'resets', i], {
          found: `alarm ${code}`,
          expected: 'an alarm of this sheet',
        })
    })
    return {
      id,
      title: p.title,
      firstPhase: p.begins,
      sets: handSettings(scope, p.sets, [...path, 'sets']),
      later: (p.later ?? []).map(({ after, sets }, i) => ({
        after: collector.quantity(after, 'time', [...path, 'later', i, 'after']).value,
        sets: handSettings(scope, sets, [...path, 'later', i, 'sets']),
      })),
      needs: p.needs === undefined ? undefined : resolveCondition(scope, p.needs, [...path, 'needs']),
      resets,
      service: p.service && {
        enter: p.service.enter,
        leave: p.service.leave,
        minutes:
          p.service.minutes === undefined
            ? 1
            : collector.quantity(p.service.minutes, 'time', [...path, 'service', 'minutes']).value / 60,
      },
      duration: collector.quantity(p.lasts, 'time', [...path, 'lasts']).value || DEFAULT_PERIOD,
    }
  })
}

/** The control itself: what powers it and what it does by itself. */
export function resolveControl(scope: Scope): Sheet['control'] {
  const { control } = scope.written
  if (!control) return undefined
  if (control.starts !== undefined && !scope.programs.has(control.starts))
    scope.collector.report('unknown-program', ['control', 'starts'], {
      found: control.starts,
      expected: oneOf(scope.programs),
    })
  return {
    powered:
      control.powered === undefined ? undefined : resolveCondition(scope, control.powered, ['control', 'powered']),
    starts: control.starts,
  }
}
