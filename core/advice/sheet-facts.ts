import { CIRCUMSTANCE_IDS, mayBeBridged } from '../model/kinds'
import { provingPairs, type Machine } from '../model/machine'
import { METERS } from '../simulation/instrument'
import { FACTS_VERSION, type SafetyNeed, type SheetFacts } from '../job'
import { handActsOf, type TestCatalogue } from '../diagnosis/catalogue'
import { proofsFor } from './proof-of'
import { vocabularyOf } from './vocabulary'

/** The safety steps of a machine, in the order of its sheet. */
export const needsOf = (machine: Machine): SafetyNeed[] =>
  machine.sheet.makeSafe.map(({ id, title, before, does, at, again }) => ({
    id,
    title,
    before,
    ...(does ? { does } : {}),
    ...(does === 'proves-dead' ? { ...(at ? { at } : {}), between: provingPairs(machine) } : {}),
    ...(again ? { again } : {}),
  }))

/** What a job's guard and the lists must know of a machine, as plain data. */
export function factsOf(catalogue: TestCatalogue): SheetFacts {
  const { machine, procedures, readingMoments } = catalogue
  const { sheet, parts, kinds } = machine
  const unique = (texts: readonly string[]) => [...new Set(texts)]
  return {
    version: FACTS_VERSION,
    title: sheet.title,
    words: unique([
      sheet.title,
      ...[sheet.maker, sheet.model].filter((x) => x !== undefined),
      ...sheet.searchWords,
      ...sheet.alarms.flatMap((a) => [a.code, a.title, ...(a.lamps ? [a.lamps] : [])]),
      ...sheet.complaints.map((c) => c.words),
    ]),
    codes: sheet.alarms.map(({ code, title, means, lamps }) => ({ code, title, means, ...(lamps ? { lamps } : {}) })),
    complaints: sheet.complaints.map(({ id, words }) => ({ id, words })),
    circumstances: [...CIRCUMSTANCE_IDS],
    options: sheet.options.map((o) => o.id),
    needs: needsOf(machine),
    repairs: sheet.repairs.map(({ id, title, price, notes: { partNumber } }, i) => ({
      id,
      title,
      proof: proofsFor(catalogue, i),
      ...(partNumber === undefined ? {} : { partNumber }),
      ...(price > 0 ? { price } : {}),
    })),
    care: sheet.care.map(({ text, every, why }) => ({ text, every, why })),
    settings: sheet.settings.map(({ id, title }) => ({ id, title })),
    tests: Object.fromEntries(
      procedures.map((p) => [
        p.id,
        {
          workMode: p.workMode,
          shape: p.shape,
          acts: handActsOf(p),
          powered: p.needs.power === 'on',
          meters: unique([...(p.meter ? [p.meter] : []), ...p.alternativeMeters]),
        },
      ]),
    ),
    meters: Object.fromEntries(METERS.map((m) => [m.id, { dimension: m.dimension, yesNo: m.threshold !== undefined }])),
    targets: Object.fromEntries(
      Object.entries(vocabularyOf(catalogue).targets).map(([verb, targets]) => [verb, [...(targets ?? [])]]),
    ),
    bridged: Object.fromEntries(
      parts
        .filter((p) => mayBeBridged(kinds[p.index], p.choice) || kinds[p.index].leadLifts)
        .map((p) => [p.id, p.title]),
    ),
    points: parts.flatMap((p) => kinds[p.index].terminals.filter((t) => t in p.nodes).map((t) => `${p.id}.${t}`)),
    moments: unique(readingMoments.map((s) => s.id)),
  }
}
