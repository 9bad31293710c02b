import { fine, problem, wrong, type Outcome, type Problem, type ProblemCode } from '../issue'
import { findKind, KINDS, type FaultTemplate, type Kind } from '../kinds'
import { readQuantity, type Dimension, type Quantity } from '../quantity'
import { atomsOf, parseCondition, type Condition } from './condition'
import type { WrittenSheet } from './shape'
import type { Severity, Sheet, SheetAlarm, SheetEffect, SheetFault, SheetPart, TerminalRef } from './types'

type Path = (string | number)[]

const RESERVED = new Set(['kind', 'title', 'panel', 'option'])
const DEFAULT_PERIOD = 3600
/** Machine-years that a rate counts as when the sheet does not say. */
const USUAL_WEIGHT = 100

/** Collects every problem of one sheet; readers return a harmless value so that the walk goes on. */
class Desk {
  readonly problems: Problem[] = []
  say(code: ProblemCode, path: Path, facts: { found?: string; expected?: string } = {}): void {
    this.problems.push(problem(code, path, facts))
  }
  take<T>(outcome: Outcome<T>): T | undefined {
    if (outcome.ok) return outcome.value
    this.problems.push(...outcome.problems)
    return undefined
  }
  quantity(text: unknown, dimension: Dimension, path: Path): Quantity {
    return (
      this.take(readQuantity(String(text), dimension, path)) ?? {
        value: 1,
        dimension,
        halfWidth: undefined,
        bound: undefined,
      }
    )
  }
  condition(text: string, path: Path): Condition {
    return this.take(parseCondition(text, path)) ?? { is: 'chatters' }
  }
}

const entries = <T>(record: Record<string, T | null> | undefined): [string, T][] =>
  Object.entries(record ?? {}).filter((e): e is [string, T] => e[1] !== null)

const oneOf = (names: Iterable<string>): string => `one of ${[...names].join(', ')}`

function resolvePart(
  desk: Desk,
  id: string,
  written: Record<string, unknown>,
  panels: Set<string>,
): SheetPart | undefined {
  const at = (field: string): Path => ['parts', id, field]
  const kind = findKind(String(written.kind))
  if (!kind) {
    desk.say('unknown-kind', at('kind'), { found: String(written.kind), expected: oneOf(KINDS.map((k) => k.id)) })
    return undefined
  }
  const part: SheetPart = {
    id,
    kind,
    title: typeof written.title === 'string' ? written.title : id.replaceAll('-', ' '),
    panel: typeof written.panel === 'string' ? written.panel : undefined,
    params: {},
    words: {},
    refs: {},
  }
  if (part.panel !== undefined && !panels.has(part.panel))
    desk.say('missing', at('panel'), { found: part.panel, expected: `a panel of this sheet: ${oneOf(panels)}` })
  for (const field of Object.keys(written)) {
    const known = [kind.params, kind.words ?? {}, kind.refs ?? {}, kind.mayRefer ?? {}].flatMap((x) => Object.keys(x))
    if (RESERVED.has(field) || known.includes(field)) continue
    desk.say('unknown-param', at(field), { found: field, expected: oneOf(known) })
  }
  for (const [name, spec] of Object.entries(kind.params)) {
    const text = written[name] ?? spec.typical
    if (text === undefined) {
      desk.say('missing', ['parts', id], { found: `no ${name}`, expected: `${name}, a ${spec.dimension}` })
      continue
    }
    const q = desk.quantity(text, spec.dimension, at(name))
    if ((spec.least !== undefined && q.value < spec.least) || (spec.most !== undefined && q.value > spec.most))
      desk.say('out-of-range', at(name), {
        found: String(text),
        expected:
          `${spec.least === undefined ? '' : `at least ${spec.least}`}${spec.most === undefined ? '' : ` at most ${spec.most}`} (SI)`.trim(),
      })
    part.params[name] = { ...q, from: name in written ? 'sheet' : 'typical' }
  }
  for (const [upper, lower] of kind.hysteresis ?? []) {
    const [above, below] = [part.params[upper], part.params[lower]]
    if (above && below && !(above.value > below.value))
      desk.say('no-hysteresis', at(written[upper] === undefined ? lower : upper), {
        found: `${upper} ${String(written[upper] ?? kind.params[upper].typical)}, ${lower} ${String(written[lower] ?? kind.params[lower].typical)}`,
        expected: `${upper} above ${lower}`,
      })
  }
  for (const [name, options] of Object.entries(kind.words ?? {})) {
    const word = String(written[name] ?? options[0])
    if (!options.includes(word)) desk.say('out-of-range', at(name), { found: word, expected: oneOf(options) })
    part.words[name] = word
  }
  for (const name of Object.keys(kind.refs ?? {})) {
    if (written[name] === undefined)
      desk.say('missing', ['parts', id], { found: `no ${name}`, expected: `${name}, the name of another part` })
    part.refs[name] = String(written[name])
  }
  for (const name of Object.keys(kind.mayRefer ?? {}))
    if (written[name] !== undefined) part.refs[name] = String(written[name])
  return part
}

/** Effects of a fault template, on a part. */
export const templateEffects = (part: string, effects: FaultTemplate['effects']): SheetEffect[] =>
  effects.map((e): SheetEffect => {
    if ('mode' in e) return { is: 'mode', part, mode: e.mode, value: e.at }
    const [op, value] =
      'to' in e ? (['to', e.to] as const) : 'times' in e ? (['times', e.times] as const) : (['plus', e.plus] as const)
    return { is: 'param', part, param: e.param, op, value }
  })

/** Resolves a sheet whose shape is right. Every mistake is reported with its path; nothing is thrown. */
export function resolveSheet(w: WrittenSheet): Outcome<Sheet> {
  const desk = new Desk()
  const panels = entries(w.panels).map(([id, p]) => ({
    id,
    title: p.title,
    minutes: desk.quantity(p.minutes, 'time', ['panels', id, 'minutes']).value / 60,
  }))
  const panelIds = new Set(panels.map((p) => p.id))
  const options = entries(w.options).map(([id, o]) => ({ id, ...o }))
  /** Parts of options that are not fitted: chains run past them, and nothing can be wrong with them. */
  const absent = new Set(
    entries(w.parts).flatMap(([id, { option }]) => {
      if (option === undefined) return []
      const known = options.find((o) => o.id === option)
      if (!known)
        desk.say('missing', ['parts', id, 'option'], {
          found: String(option),
          expected: `an option of this sheet: ${oneOf(options.map((o) => o.id))}`,
        })
      return known && !known.fitted ? [id] : []
    }),
  )
  const isAbsent = (ref: string) => absent.has(ref.split('.')[0])
  const parts = entries(w.parts).flatMap(([id, p]) =>
    absent.has(id) ? [] : (resolvePart(desk, id, p, panelIds) ?? []),
  )
  const byId = new Map(parts.map((p) => [p.id, p]))
  const find = (id: string, path: Path): SheetPart | undefined => {
    const part = byId.get(id)
    if (!part && !(w.parts && id in w.parts))
      desk.say('unknown-part', path, { found: id, expected: 'the name of a part' })
    return part
  }
  for (const p of parts)
    for (const [name, target] of Object.entries(p.refs)) {
      if (target === 'undefined') continue
      const other = find(target, ['parts', p.id, name])
      const signal = { ...p.kind.refs, ...p.kind.mayRefer }[name]
      if (other && !(signal in (other.kind.signals ?? {})))
        desk.say('unknown-signal', ['parts', p.id, name], {
          found: `${target} gives no ${signal}`,
          expected: `a part that gives ${signal}`,
        })
    }

  const terminalsOf = (kind: Kind, medium: 'wiring' | 'water') => (medium === 'wiring' ? kind.terminals : kind.ports)
  function step(
    item: string,
    medium: 'wiring' | 'water',
    path: Path,
    edge: boolean,
  ): [TerminalRef, TerminalRef] | undefined {
    const m = /^([\w-]+)(?:\.([\w-]+)(?:\/([\w-]+))?)?$/.exec(item)
    if (!m) {
      desk.say('unknown-terminal', path, { found: item, expected: 'PART, PART.TERMINAL or PART.IN/OUT' })
      return undefined
    }
    const part = find(m[1], path)
    if (!part) return undefined
    const names = terminalsOf(part.kind, medium)
    for (const t of [m[2], m[3]])
      if (t !== undefined && !names.includes(t)) {
        desk.say('unknown-terminal', path, {
          found: item,
          expected: names.length
            ? oneOf(names.map((n) => `${part.id}.${n}`))
            : `a part with ${medium === 'wiring' ? 'terminals' : 'water ports'}`,
        })
        return undefined
      }
    if (m[2] === undefined && (edge || names.length < 2)) {
      desk.say('ambiguous', path, { found: item, expected: oneOf(names.map((n) => `${part.id}.${n}`)) })
      return undefined
    }
    const enter = m[2] ?? names[0]
    const leave = m[2] === undefined ? names[1] : (m[3] ?? m[2])
    return [
      { part: part.id, terminal: enter },
      { part: part.id, terminal: leave },
    ]
  }
  const chains = (medium: 'wiring' | 'water') =>
    entries(w[medium]).map(([name, written]) => {
      const chain = written.flatMap((item, at) => (isAbsent(item) ? [] : [{ item, at }]))
      const steps = chain.map(({ item, at }, i) =>
        step(item, medium, [medium, name, at], i === 0 || i === chain.length - 1),
      )
      const joints: [TerminalRef, TerminalRef][] = []
      for (let i = 1; i < steps.length; i++) {
        const [a, b] = [steps[i - 1], steps[i]]
        if (a && b) joints.push([a[1], b[0]])
      }
      return { name, joints }
    })

  const phaseIds = new Set(entries(w.phases).map(([id]) => id))
  const programIds = new Set(entries(w.programs).map(([id]) => id))
  const alarms = entries(w.alarms).map(([code, a]): SheetAlarm => ({
    code,
    title: a.title,
    means: a.means ?? a.title,
    lamps: a.lamps,
    clears: undefined,
    keeps: a.keeps ?? false,
  }))
  function checkedCondition(text: string, path: Path): Condition {
    const condition = desk.condition(text, path)
    for (const a of atomsOf(condition)) {
      if (a.is === 'phase' && !phaseIds.has(a.phase))
        desk.say('unknown-phase', path, { found: a.phase, expected: oneOf(phaseIds) })
      if (a.is === 'alarm' && !alarms.some((x) => x.code === a.code))
        desk.say('missing', path, { found: `alarm ${a.code}`, expected: 'an alarm of this sheet' })
      if (a.is !== 'signal' && a.is !== 'compare') continue
      const part = find(a.part, path)
      if (!part) continue
      const signal = part.kind.signals?.[a.signal]
      if (!signal)
        desk.say('unknown-signal', path, {
          found: `${a.part}.${a.signal}`,
          expected: oneOf(Object.keys(part.kind.signals ?? {})),
        })
      else if (a.is === 'compare' && a.dimension !== signal.dimension)
        desk.say('wrong-dimension', path, {
          found: text,
          expected: signal.dimension ? `a ${signal.dimension}` : 'no comparison: this signal is yes or no',
        })
    }
    return condition
  }
  for (const alarm of alarms) {
    const clears = w.alarms?.[alarm.code]?.clears
    if (clears !== undefined) alarm.clears = checkedCondition(clears, ['alarms', alarm.code, 'clears'])
  }
  const phases = entries(w.phases).map(([id, p]) => {
    const path: Path = ['phases', id]
    const on = p.on ?? []
    on.forEach((name, i) => {
      const part = find(name, [...path, 'on', i])
      if (part && part.kind.command === undefined)
        desk.say('wrong-shape', [...path, 'on', i], { found: name, expected: 'a part that the control can switch' })
    })
    const exits = (p.exits ?? []).map((e, i) => {
      if (!phaseIds.has(e.to))
        desk.say('unknown-phase', [...path, 'exits', i, 'to'], { found: e.to, expected: oneOf(phaseIds) })
      if (e.alarm !== undefined && !alarms.some((a) => a.code === e.alarm))
        desk.say('missing', [...path, 'exits', i, 'alarm'], { found: e.alarm, expected: 'an alarm of this sheet' })
      return { when: checkedCondition(e.when, [...path, 'exits', i, 'when']), to: e.to, alarm: e.alarm }
    })
    if (exits.length === 0 && !p.final) desk.say('no-exit', path, { found: id, expected: 'an exit, or final: true' })
    return { id, title: p.title, on, exits, final: p.final ?? false }
  })
  const programs = entries(w.programs).map(([id, p]) => {
    const path: Path = ['programs', id]
    if (p.begins !== undefined && !phaseIds.has(p.begins))
      desk.say('unknown-phase', [...path, 'begins'], { found: p.begins, expected: oneOf(phaseIds) })
    const sets = Object.entries(p.sets ?? {}).flatMap(([target, value]) => {
      const [partId, named] = target.split('.')
      const part = find(partId, [...path, 'sets', target])
      if (!part) return []
      const { hand, forced = [], modes = [] } = part.kind
      const reachable = [...(hand ? [hand.mode] : []), ...forced]
      const mode = modes.find((m) => m.name === (named ?? reachable[0]) && reachable.includes(m.name))
      if (!mode || !mode.values.includes(value)) {
        desk.say('out-of-range', [...path, 'sets', target], {
          found: value,
          expected: mode
            ? oneOf(mode.values)
            : reachable.length
              ? oneOf(reachable.map((m) => `${partId}.${m}`))
              : 'a part that a hand works',
        })
        return []
      }
      return [{ part: partId, mode: mode.name, value }]
    })
    const resets = p.resets ?? []
    resets.forEach((code, i) => {
      if (!alarms.some((a) => a.code === code))
        desk.say('missing', [...path, 'resets', i], { found: `alarm ${code}`, expected: 'an alarm of this sheet' })
    })
    return {
      id,
      title: p.title,
      begins: p.begins,
      sets,
      needs: p.needs === undefined ? undefined : checkedCondition(p.needs, [...path, 'needs']),
      resets,
      service: p.service && {
        enter: p.service.enter,
        leave: p.service.leave,
        minutes:
          p.service.minutes === undefined
            ? 1
            : desk.quantity(p.service.minutes, 'time', [...path, 'service', 'minutes']).value / 60,
      },
      lasts: desk.quantity(p.lasts, 'time', [...path, 'lasts']).value,
    }
  })
  if (w.control?.starts !== undefined && !programIds.has(w.control.starts))
    desk.say('unknown-program', ['control', 'starts'], { found: w.control.starts, expected: oneOf(programIds) })

  const repairs = entries(w.repairs).map(([id, r]) => ({
    id,
    title: r.title,
    minutes: desk.quantity(r.minutes, 'time', ['repairs', id, 'minutes']).value / 60,
    price: r.price === undefined ? 0 : desk.quantity(r.price, 'money', ['repairs', id, 'price']).value,
    holds: r.holds === undefined ? 0.97 : desk.quantity(r.holds, 'ratio', ['repairs', id, 'holds']).value,
    licensed: r.licensed,
  }))
  const repairIds = new Set(repairs.map((r) => r.id))

  function paramTarget(text: string, path: Path): { part: SheetPart; param: string; dimension: Dimension } | undefined {
    const [partId, name] = [text.slice(0, text.lastIndexOf('.')), text.slice(text.lastIndexOf('.') + 1)]
    const part = find(partId, path)
    if (!part) return undefined
    const spec = part.kind.params[name]
    if (spec) return { part, param: name, dimension: spec.dimension }
    desk.say('unknown-param', path, {
      found: text,
      expected: oneOf(Object.keys(part.kind.params).map((n) => `${partId}.${n}`)),
    })
    return undefined
  }
  function writtenEffect(
    e: NonNullable<NonNullable<NonNullable<WrittenSheet['faults']>[string]>['effects']>[number],
    path: Path,
  ): SheetEffect[] {
    if ('swap' in e) {
      for (const medium of ['wiring', 'water'] as const) {
        const ends = e.swap.map((t) => {
          const [p, terminal] = t.split('.')
          const part = byId.get(p)
          return part && terminal !== undefined && terminalsOf(part.kind, medium).includes(terminal)
            ? { part: p, terminal }
            : undefined
        })
        if (ends[0] && ends[1]) return [{ is: 'swap', medium, a: ends[0], b: ends[1] }]
      }
      desk.say('unknown-terminal', [...path, 'swap'], {
        found: e.swap.join(', '),
        expected: 'two terminals or two water ports, PART.TERMINAL',
      })
      return []
    }
    if ('hold' in e) {
      const [partId, modeName] = e.hold.split('.')
      const part = find(partId, [...path, 'hold'])
      const mode = part?.kind.modes?.find((m) => m.name === modeName)
      if (!part) return []
      if (!mode?.values.includes(e.at)) {
        desk.say('out-of-range', [...path, 'hold'], {
          found: `${e.hold} at ${e.at}`,
          expected: mode ? oneOf(mode.values) : oneOf((part.kind.modes ?? []).map((m) => `${partId}.${m.name}`)),
        })
        return []
      }
      return [{ is: 'mode', part: partId, mode: modeName, value: e.at }]
    }
    const target = paramTarget(e.set, [...path, 'set'])
    if (!target) return []
    const { part, param, dimension } = target
    const base = { is: 'param' as const, part: part.id, param }
    if ('times' in e) return [{ ...base, op: 'times', value: e.times }]
    const [op, raw] = 'to' in e ? (['to', e.to] as const) : (['plus', e.plus] as const)
    if (raw === 'severity') return [{ ...base, op, value: 'severity' }]
    return [{ ...base, op, value: desk.quantity(raw, dimension, [...path, op]).value }]
  }
  function fault(id: string, f: NonNullable<NonNullable<WrittenSheet['faults']>[string]>): SheetFault[] {
    const path: Path = ['faults', id]
    const [partId, templateId] = id.split('.')
    const part =
      templateId === undefined
        ? f.part === undefined
          ? undefined
          : find(f.part, [...path, 'part'])
        : find(partId, path)
    if (templateId === undefined && f.part === undefined)
      desk.say('missing', path, { found: 'no part', expected: 'part and effects, or the name PART.FAULT' })
    if (!part) return []
    const template = templateId === undefined ? undefined : part.kind.faults?.[templateId]
    if (templateId !== undefined && !template) {
      desk.say('unknown-fault', path, {
        found: id,
        expected: oneOf(Object.keys(part.kind.faults ?? {}).map((n) => `${part.id}.${n}`)),
      })
      return []
    }
    const effects: SheetEffect[] = f.effects
      ? f.effects.flatMap((e, i) => writtenEffect(e, [...path, 'effects', i]))
      : templateEffects(part.id, template?.effects ?? [])
    if (!effects.length) desk.say('missing', path, { found: 'no effects', expected: 'at least one effect' })
    const repair = f.repair ?? ''
    if (!repairIds.has(repair))
      desk.say('missing', [...path, 'repair'], { found: repair || 'no repair', expected: oneOf(repairIds) })
    let severity: Severity | undefined = template?.severity
    if (f.severity) {
      const by = effects.find((e) => e.is === 'param' && e.value === 'severity')
      const dimension =
        by?.is === 'param' && by.op !== 'times' ? byId.get(by.part)!.kind.params[by.param].dimension : 'ratio'
      severity = {
        from: desk.quantity(f.severity.from, dimension, [...path, 'severity', 'from']).value,
        to: desk.quantity(f.severity.to, dimension, [...path, 'severity', 'to']).value,
        scale: f.severity.scale,
      }
    }
    if (severity && !(severity.from < severity.to && (severity.scale === 'linear' || severity.from > 0)))
      desk.say('out-of-range', [...path, 'severity'], {
        found: `${severity.from} to ${severity.to}`,
        expected: 'from below to; above 0 on a log scale',
      })
    const rate =
      f.rate === undefined ? (template?.perYear ?? 0) : desk.quantity(f.rate, 'rate', [...path, 'rate']).value
    if (!(rate > 0))
      desk.say('out-of-range', [...path, 'rate'], { found: String(f.rate ?? 'none'), expected: 'a rate above 0 /year' })
    return [
      {
        id,
        part: part.id,
        title: f.title ?? `${part.title}: ${template?.title ?? 'fault'}`,
        effects,
        perYear: rate,
        latent: f.latent ?? false,
        weight: f.weight ?? USUAL_WEIGHT,
        severity,
        repair,
        sometimes:
          f.sometimes === undefined
            ? (template?.sometimes ?? 0)
            : desk.quantity(f.sometimes, 'ratio', [...path, 'sometimes']).value,
        causes: Object.entries(f.causes ?? {}).map(([other, chance]) => {
          if (!w.faults?.[other])
            desk.say('unknown-fault', [...path, 'causes', other], { found: other, expected: 'a fault of this sheet' })
          return { fault: other, chance: desk.quantity(chance, 'ratio', [...path, 'causes', other]).value }
        }),
      },
    ]
  }

  const moments = entries(w.moments).map(([id, m]) => {
    if (!programIds.has(m.program))
      desk.say('unknown-program', ['moments', id, 'program'], { found: m.program, expected: oneOf(programIds) })
    return {
      id,
      title: m.title,
      program: m.program,
      after: desk.quantity(m.after, 'time', ['moments', id, 'after']).value,
    }
  })
  const tests = entries(w.tests).flatMap(([id, t]) => {
    if (isAbsent(t.sense) || isAbsent(t.jumper ?? '')) return []
    const path: Path = ['tests', id]
    const [partId, signal] = t.sense.split('.')
    const part = find(partId, [...path, 'sense'])
    if (part && !(signal in (part.kind.signals ?? {})))
      desk.say('unknown-signal', [...path, 'sense'], {
        found: t.sense,
        expected: oneOf(Object.keys(part.kind.signals ?? {})),
      })
    if (t.jumper !== undefined) {
      const bridged = find(t.jumper, [...path, 'jumper'])
      if (bridged && !bridged.kind.jumperAllowed)
        desk.say('out-of-range', [...path, 'jumper'], {
          found: t.jumper,
          expected: 'a switch that may be bridged; protection is never bridged',
        })
    }
    if (!moments.some((m) => m.id === t.moment) && !phaseIds.has(t.moment))
      desk.say('unknown-phase', [...path, 'moment'], {
        found: t.moment,
        expected: oneOf([...moments.map((m) => m.id), ...phaseIds]),
      })
    const minutes = desk.quantity(t.minutes, 'time', [...path, 'minutes']).value / 60
    return [
      {
        id,
        title: t.title,
        jumper: t.jumper,
        part: partId,
        signal,
        by: t.by,
        moment: t.moment,
        minutes,
        caution: t.caution,
      },
    ]
  })
  const sheet: Sheet = {
    id: w.id,
    title: w.title,
    family: w.family ?? false,
    assembly: w.assembly ?? false,
    maker: w.maker,
    model: w.model,
    also: w.also ?? [],
    options,
    source: w.source ?? 'not stated',
    hertz: w.frequency === undefined ? 50 : desk.quantity(w.frequency, 'frequency', ['frequency']).value,
    ambient: desk.quantity(w.ambient ?? '20 °C ±6 °C', 'temperature', ['ambient']),
    panels,
    parts,
    wiring: chains('wiring'),
    water: chains('water'),
    control: w.control && {
      powered:
        w.control.powered === undefined ? undefined : checkedCondition(w.control.powered, ['control', 'powered']),
      starts: w.control.starts,
    },
    programs: programs.map((p) => ({ ...p, lasts: p.lasts || DEFAULT_PERIOD })),
    phases,
    alarms,
    complaints: entries(w.complaints).map(([id, c]) => ({
      id,
      says: c.says,
      when: checkedCondition(c.when, ['complaints', id, 'when']),
    })),
    moments,
    faults: entries(w.faults).flatMap(([id, f]) => (isAbsent(id) || isAbsent(f.part ?? '') ? [] : fault(id, f))),
    repairs,
    tests,
    makeSafe: w['make-safe'] ?? [],
    cautions: entries(w.cautions).map(([, c]) => c),
  }
  if (!programs.length && !w.assembly)
    desk.say('missing', [], { found: 'no programs', expected: 'at least one program' })
  return desk.problems.length ? wrong(...desk.problems) : fine(sheet)
}
