import { CIRCUMSTANCE_IDS, mayBeBridged as kindAllows } from '../model/kinds'
import type { Vocabulary } from '../evidence'
import { ok } from '../foundation/result'
import { findProcedure, mayBeBridgedIn, parseProbe, readingShapeFor, type TestCatalogue } from '../diagnosis/catalogue'
import { METERS } from '../simulation/instrument'

/** The names that evidence about this machine may use. */
export function vocabularyOf(catalogue: TestCatalogue): Vocabulary {
  const { machine, procedures } = catalogue
  const { sheet, parts, kinds } = machine
  const byHand = parts.filter((p) => kinds[p.index].manual).map((p) => p.id)
  // Found by running the machine: not before somebody asks.
  let bridged: string[] | undefined
  const mayBeBridged = () => (bridged ??= parts.filter((p) => mayBeBridgedIn(catalogue, p.index)).map((p) => p.id))
  const liftable = parts.filter((p) => kinds[p.index].leadLifts).map((p) => p.id)
  const panels = sheet.panels.map((p) => p.id)
  return {
    complaints: sheet.complaints.map((c) => c.id),
    circumstances: CIRCUMSTANCE_IDS,
    tests: procedures.map((p) => p.id),
    instruments: METERS.map((m) => m.id),
    shapeOf: (test, instrument) => {
      const procedure = findProcedure(catalogue, test, instrument)
      const fits = instrument === undefined || instrument === procedure?.meter
      return procedure && (fits || procedure.alternativeMeters.includes(instrument))
        ? readingShapeFor(procedure, instrument)
        : undefined
    },
    probe: (text, instrument) => {
      const parsed = parseProbe(catalogue, text, instrument)
      return parsed.ok ? ok(parsed.value.id) : parsed
    },
    targets: {
      open: panels,
      close: panels,
      unplug: byHand,
      plug: byHand,
      get jumper() {
        return mayBeBridged()
      },
      // What went in once, by whatever rule then, may always come out.
      unjumper: parts.filter((p) => kindAllows(kinds[p.index], p.choice)).map((p) => p.id),
      lift: liftable,
      land: liftable,
      start: sheet.programs.map((p) => p.id),
      repair: sheet.repairs.map((r) => r.id),
    },
  }
}
