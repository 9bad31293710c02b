import type { FaultTemplate, SaidWith } from '../../kinds'
import type { Dimension } from '../../../foundation/quantity'
import type { WrittenSheet } from '../schema'
import type { Severity, Sheet, SheetEffect, SheetFault, SheetPart } from '../types'
import { terminalsOf } from './chains'
import { entries, oneOf, type Path } from './problem-collector'
import type { Scope } from './scope'

type WrittenFault = NonNullable<NonNullable<WrittenSheet['faults']>[string]>

/** Machine-years that a rate counts as when the sheet does not say. */
const USUAL_EXPOSURE_YEARS = 100

/** Title of a fault template on a part with these choices. */
export const templateTitle = ({ title, titleBy }: FaultTemplate, choices: Readonly<Record<string, string>>): string =>
  titleBy?.words[choices[titleBy.choice]] ?? title

/** A fault with its part: "cold valve: coil open", but "waste hose hangs too low" where it names the part itself. */
export const faultTitle = (part: string, title: string): string =>
  title.toLowerCase().startsWith(part.toLowerCase()) ? title : `${part}: ${title}`

/** Effects of a fault template, on a part. */
export const templateEffects = (part: string, effects: FaultTemplate['effects']): SheetEffect[] =>
  effects.map((e): SheetEffect => {
    if ('mode' in e) return { type: 'mode', part, mode: e.mode, value: e.at }
    const [op, value] =
      'to' in e ? (['to', e.to] as const) : 'times' in e ? (['times', e.times] as const) : (['plus', e.plus] as const)
    return { type: 'param', part, param: e.param, op, value }
  })

function paramTarget(
  { collector, find }: Scope,
  text: string,
  path: Path,
): { part: SheetPart; param: string; dimension: Dimension } | undefined {
  const [partId, name] = [text.slice(0, text.lastIndexOf('.')), text.slice(text.lastIndexOf('.') + 1)]
  const part = find(partId, path)
  if (!part) return undefined
  const spec = part.kind.params[name]
  if (spec) return { part, param: name, dimension: spec.dimension }
  collector.report('unknown-param', path, {
    found: text,
    expected: oneOf(Object.keys(part.kind.params).map((n) => `${partId}.${n}`)),
  })
  return undefined
}

function writtenEffect(scope: Scope, e: NonNullable<WrittenFault['effects']>[number], path: Path): SheetEffect[] {
  const { collector, find, parts } = scope
  if ('swap' in e) {
    for (const medium of ['wiring', 'water'] as const) {
      const ends = e.swap.map((t) => {
        const [p, terminal] = t.split('.')
        const part = parts.get(p)
        return part && terminal !== undefined && terminalsOf(part.kind, medium).includes(terminal)
          ? { part: p, terminal }
          : undefined
      })
      if (ends[0] && ends[1]) return [{ type: 'swap', medium, a: ends[0], b: ends[1] }]
    }
    collector.report('unknown-terminal', [...path, 'swap'], {
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
      collector.report('out-of-range', [...path, 'hold'], {
        found: `${e.hold} at ${e.at}`,
        expected: mode ? oneOf(mode.values) : oneOf((part.kind.modes ?? []).map((m) => `${partId}.${m.name}`)),
      })
      return []
    }
    return [{ type: 'mode', part: partId, mode: modeName, value: e.at }]
  }
  const target = paramTarget(scope, e.set, [...path, 'set'])
  if (!target) return []
  const { part, param, dimension } = target
  const base = { type: 'param' as const, part: part.id, param }
  if ('times' in e) return [{ ...base, op: 'times', value: e.times }]
  const [op, raw] = 'to' in e ? (['to', e.to] as const) : (['plus', e.plus] as const)
  if (raw === 'severity') return [{ ...base, op, value: 'severity' }]
  return [{ ...base, op, value: collector.quantity(raw, dimension, [...path, op]).value }]
}

/** The part that a fault is of, and the fault of its kind that it goes by where it is named PART.FAULT. */
function subjectOf({ collector, find }: Scope, id: string, f: WrittenFault) {
  const path: Path = ['faults', id]
  const [partId, templateId] = id.split('.')
  if (templateId === undefined) {
    if (f.part === undefined) {
      collector.report('missing', path, { found: 'no part', expected: 'part and effects, or the name PART.FAULT' })
      return undefined
    }
    const part = find(f.part, [...path, 'part'])
    return part && { part, template: undefined }
  }
  const part = find(partId, path)
  if (!part) return undefined
  const template = part.kind.faults?.[templateId]
  if (template) return { part, template }
  const expected = oneOf(Object.keys(part.kind.faults ?? {}).map((n) => `${part.id}.${n}`))
  collector.report('unknown-fault', path, { found: id, expected })
  return undefined
}

/** The range of a severity, in SI of the parameter that it sets, or a factor. */
function severityOf(
  { collector, parts }: Scope,
  written: WrittenFault['severity'],
  usual: Severity | undefined,
  effects: readonly SheetEffect[],
  path: Path,
): Severity | undefined {
  let severity = usual
  if (written) {
    const by = effects.find((e) => e.type === 'param' && e.value === 'severity')
    if (!by && !usual)
      collector.report('out-of-range', path, {
        found: 'a severity that no effect goes by',
        expected: 'an effect with "severity" in it ("times: severity"), or no severity',
      })
    const dimension =
      by?.type === 'param' && by.op !== 'times' ? parts.get(by.part)!.kind.params[by.param].dimension : 'ratio'
    severity = {
      from: collector.quantity(written.from, dimension, [...path, 'from']).value,
      to: collector.quantity(written.to, dimension, [...path, 'to']).value,
      scale: written.scale,
    }
  }
  if (severity && !(severity.from < severity.to && (severity.scale === 'linear' || severity.from > 0)))
    collector.report('out-of-range', path, {
      found: `${severity.from} to ${severity.to}`,
      expected: 'from below to; above 0 on a log scale',
    })
  return severity
}

/** A rate in 1/year, above 0. */
function rateOf(
  { collector }: Pick<Scope, 'collector'>,
  written: string | undefined,
  usual: number,
  path: Path,
): number {
  const rate = written === undefined ? usual : collector.quantity(written, 'rate', path).value
  if (!(rate > 0))
    collector.report('out-of-range', path, { found: String(written ?? 'none'), expected: 'a rate above 0 /year' })
  return rate
}

const causesOf = ({ collector, written }: Scope, causes: WrittenFault['causes'], path: Path): SheetFault['causes'] =>
  Object.entries(causes ?? {}).map(([other, chance]) => {
    if (!written.faults?.[other])
      collector.report('unknown-fault', [...path, other], { found: other, expected: 'a fault of this sheet' })
    return { fault: other, chance: collector.quantity(chance, 'ratio', [...path, other]).value }
  })

function saidWithOf({ collector }: Scope, said: WrittenFault['said'], path: Path): SaidWith {
  const shares = Object.entries(said ?? {}).map(([id, written]) => {
    const share = collector.quantity(written, 'ratio', [...path, id]).value
    if (!(share > 0 && share <= 1))
      collector.report('out-of-range', [...path, id], { found: written, expected: 'a share above 0, up to 100 %' })
    return [id, share]
  })
  return Object.fromEntries(shares) as SaidWith
}

function resolveFault(scope: Scope, id: string, f: WrittenFault): SheetFault[] {
  const { collector, repairs } = scope
  const path: Path = ['faults', id]
  const subject = subjectOf(scope, id, f)
  if (!subject) return []
  const { part, template } = subject
  const effects: SheetEffect[] = f.effects
    ? f.effects.flatMap((e, i) => writtenEffect(scope, e, [...path, 'effects', i]))
    : templateEffects(part.id, template?.effects ?? [])
  if (!effects.length) collector.report('missing', path, { found: 'no effects', expected: 'at least one effect' })
  const severity = severityOf(scope, f.severity, template?.severity, effects, [...path, 'severity'])
  if (!severity && effects.some((e) => e.type === 'param' && e.value === 'severity'))
    collector.report('missing', path, {
      found: 'no severity, though an effect goes by it',
      expected: 'severity: { from: …, to: …, scale: log or linear }',
    })
  const repair = f.repair ?? ''
  if (!repairs.has(repair))
    collector.report('missing', [...path, 'repair'], { found: repair || 'no repair', expected: oneOf(repairs) })
  return [
    {
      id,
      part: part.id,
      title: f.title ?? faultTitle(part.title, template ? templateTitle(template, part.choices) : 'fault'),
      effects,
      ratePerYear: rateOf(scope, f.rate, template?.ratePerYear ?? 0, [...path, 'rate']),
      latent: f.latent ?? false,
      priorExposureYears: f.weight ?? USUAL_EXPOSURE_YEARS,
      severity,
      repair,
      cure: template?.cure,
      instead: (f.instead ?? []).filter((r) => {
        if (!repairs.has(r)) collector.report('missing', [...path, 'instead'], { found: r, expected: oneOf(repairs) })
        return repairs.has(r)
      }),
      saidWith: { ...template?.saidWith, ...saidWithOf(scope, f.said, [...path, 'said']) },
      intermittentShare:
        f.sometimes === undefined
          ? (template?.intermittentShare ?? 0)
          : collector.quantity(f.sometimes, 'ratio', [...path, 'sometimes']).value,
      causes: causesOf(scope, f.causes, [...path, 'causes']),
    },
  ]
}

/** How often such a machine fails in all, per year; `undefined` where the sheet does not say. */
export function resolveRates({ collector, written }: Scope): Sheet['rates'] {
  if (!written.rates) return undefined
  const { 'in-all': inAll, source } = written.rates
  return { inAll: rateOf({ collector }, inAll, 0, ['rates', 'in-all']), source }
}

/** The faults of the parts that are fitted. */
export const resolveFaults = (scope: Scope): SheetFault[] =>
  entries(scope.written.faults).flatMap(([id, f]) =>
    scope.isAbsent(id) || scope.isAbsent(f.part ?? '') ? [] : resolveFault(scope, id, f),
  )
