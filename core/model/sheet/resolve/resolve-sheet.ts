import { problem, type Problem } from '../../../foundation/issues'
import { ok, err, type Result } from '../../../foundation/result'
import type { WrittenSheet } from '../schema'
import type { OwnOptions, Sheet, SheetOption } from '../types'
import { resolveChains, resolveColours } from './chains'
import { resolveAlarms, resolveCondition, resolveControl, resolvePhases, resolvePrograms } from './control'
import { ProblemCollector, entries } from './problem-collector'
import { resolveFaults, resolveRates } from './faults'
import { checkReferences, resolveParts } from './parts'
import { resolveMakeSafe } from './make-safe'
import { resolveConnectors, resolvePanels, resolveUpkeep } from './notes'
import { resolveRepairs } from './repairs'
import { scopeOf } from './scope'
import { resolveMoments, resolveTests } from './tests'
import { WORK } from './work'

/** No machine of the trade has more parts that anybody tests. */
const MAX_PARTS = 300

function partsLimit({ parts = {} }: WrittenSheet): Problem | undefined {
  const count = Object.keys(parts).length
  if (count <= MAX_PARTS) return undefined
  return problem('limit-reached', ['parts'], {
    found: `${count} parts`,
    expected: `at most ${MAX_PARTS}: leave out what nothing is tested on, or make two sheets of it`,
  })
}

/** What machines of a sheet may have, as one of them has it. */
const optionsOf = (written: WrittenSheet, own: OwnOptions): SheetOption[] =>
  entries(written.options).map(([id, o]) => ({ id, ...o, fitted: own.find((x) => x.id === id)?.fitted ?? o.fitted }))

/**
 * Resolves a sheet whose shape is right. Every mistake is reported with its path; nothing is thrown.
 *
 * @param own what the machine has or has not, where it is otherwise than the sheet says; what the sheet does not know is left out
 */
export function resolveSheet(written: WrittenSheet, own: OwnOptions = []): Result<Sheet> {
  const collector = new ProblemCollector()
  const tooLarge = partsLimit(written)
  if (tooLarge) return err(tooLarge)
  const panels = resolvePanels(collector, written)
  const options = optionsOf(written, own)
  const hertz =
    written.frequency === undefined ? 50 : collector.quantity(written.frequency, 'frequency', ['frequency']).value
  const { parts, absent } = resolveParts(collector, written, new Map(panels.map((p) => [p.id, p])), hertz, options)
  const scope = scopeOf(collector, written, parts, absent)
  checkReferences(scope)
  const moments = resolveMoments(scope)
  const rates = resolveRates(scope)
  const asWritten = resolveFaults(scope)
  const sum = asWritten.reduce((total, f) => total + f.ratePerYear, 0)
  const rateScale = rates && sum > 0 ? rates.inAll / sum : 1
  const sheet: Sheet = {
    id: written.id,
    title: written.title,
    family: written.family ?? false,
    assembly: written.assembly ?? false,
    maker: written.maker,
    model: written.model,
    searchWords: written.also ?? [],
    options,
    source: written.source ?? 'not stated',
    rates,
    rateScale,
    hertz,
    ambient: collector.quantity(written.ambient ?? '20 °C ±6 °C', 'temperature', ['ambient']),
    panels,
    parts,
    wiring: resolveChains(scope, 'wiring'),
    water: resolveChains(scope, 'water'),
    colours: resolveColours(scope),
    connectors: resolveConnectors(scope),
    ...resolveUpkeep(scope),
    control: resolveControl(scope),
    programs: resolvePrograms(scope),
    phases: resolvePhases(scope),
    alarms: resolveAlarms(scope),
    complaints: entries(written.complaints).map(([id, c]) => ({
      id,
      words: c.says,
      when: resolveCondition(scope, c.when, ['complaints', id, 'when']),
    })),
    moments,
    faults: asWritten.map((f) => ({ ...f, ratePerYear: f.ratePerYear * rateScale })),
    repairs: resolveRepairs(scope),
    tests: resolveTests(scope, moments),
    makeSafe: resolveMakeSafe(scope),
    customer: written.customer ?? [],
    cautions: entries(written.cautions).map(([, { bites, text }]) => ({ appliesTo: WORK[bites], text })),
  }
  if (!sheet.programs.length && !written.assembly)
    collector.report('missing', [], { found: 'no programs', expected: 'at least one program' })
  return collector.problems.length ? err(...collector.problems) : ok(sheet)
}
