import { ok, err, type Result } from '../../foundation/result'
import type { WrittenSheet } from '../shape'
import type { Sheet } from '../types'
import { resolveChains } from './chains'
import { resolveAlarms, resolveCondition, resolveControl, resolvePhases, resolvePrograms } from './control'
import { Desk, entries } from './desk'
import { resolveFaults } from './faults'
import { checkReferences, resolveParts } from './parts'
import { resolveRepairs } from './repairs'
import { scopeOf } from './scope'
import { resolveMoments, resolveTests } from './tests'

/** Resolves a sheet whose shape is right. Every mistake is reported with its path; nothing is thrown. */
export function resolveSheet(w: WrittenSheet): Result<Sheet> {
  const desk = new Desk()
  const panels = entries(w.panels).map(([id, p]) => ({
    id,
    title: p.title,
    minutes: desk.quantity(p.minutes, 'time', ['panels', id, 'minutes']).value / 60,
  }))
  const options = entries(w.options).map(([id, o]) => ({ id, ...o }))
  const { parts, absent } = resolveParts(desk, w, new Set(panels.map((p) => p.id)), options)
  const scope = scopeOf(desk, w, parts, absent)
  checkReferences(scope)
  const moments = resolveMoments(scope)
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
    wiring: resolveChains(scope, 'wiring'),
    water: resolveChains(scope, 'water'),
    control: resolveControl(scope),
    programs: resolvePrograms(scope),
    phases: resolvePhases(scope),
    alarms: resolveAlarms(scope),
    complaints: entries(w.complaints).map(([id, c]) => ({
      id,
      says: c.says,
      when: resolveCondition(scope, c.when, ['complaints', id, 'when']),
    })),
    moments,
    faults: resolveFaults(scope),
    repairs: resolveRepairs(scope),
    tests: resolveTests(scope, moments),
    makeSafe: w['make-safe'] ?? [],
    cautions: entries(w.cautions).map(([, c]) => c),
  }
  if (!sheet.programs.length && !w.assembly)
    desk.say('missing', [], { found: 'no programs', expected: 'at least one program' })
  return desk.problems.length ? err(...desk.problems) : ok(sheet)
}
