import { METERS } from '../simulation/instrument'
import type { SheetFacts } from '../job'
import type { Bench } from '../procedure'
import { vocabularyOf } from './open-bench'

/** What a job's guard and the lists must know of a machine, as plain data. */
export function factsOf(bench: Bench): SheetFacts {
  const { machine, procedures, spots } = bench
  const { sheet, parts, kinds } = machine
  const unique = (texts: readonly string[]) => [...new Set(texts)]
  return {
    title: sheet.title,
    words: unique([
      sheet.title,
      ...[sheet.maker, sheet.model].filter((x) => x !== undefined),
      ...sheet.searchWords,
      ...sheet.alarms.flatMap((a) => [a.code, a.title, ...(a.lamps ? [a.lamps] : [])]),
      ...sheet.complaints.map((c) => c.words),
    ]),
    codes: sheet.alarms.map(({ code, title, means, lamps }) => ({ code, title, means, ...(lamps ? { lamps } : {}) })),
    complaints: sheet.complaints.map(({ id, words: says }) => ({ id, says })),
    needs: sheet.makeSafe.map(({ id, title, before }) => ({ id, title, before })),
    repairs: sheet.repairs.map(({ id, title }) => ({ id, title })),
    tests: Object.fromEntries(
      procedures.map((p) => [
        p.id,
        { school: p.school, shape: p.shape, meters: unique([...(p.meter ? [p.meter] : []), ...p.otherMeters]) },
      ]),
    ),
    meters: Object.fromEntries(METERS.map((m) => [m.id, { dimension: m.dimension, says: m.threshold !== undefined }])),
    targets: Object.fromEntries(
      Object.entries(vocabularyOf(bench).targets).map(([verb, targets]) => [verb, [...(targets ?? [])]]),
    ),
    points: parts.flatMap((p) => kinds[p.index].terminals.filter((t) => t in p.nodes).map((t) => `${p.id}.${t}`)),
    moments: unique(spots.map((s) => s.id)),
  }
}
