import type { Vocabulary } from '../evidence'
import { ok } from '../foundation/result'
import { METERS } from '../simulation/instrument'
import {
  buildMachine,
  withAcceptance,
  withShopHistory,
  type Acceptance,
  type ShopHistory,
  type KnownGood,
} from '../model/machine'
import { Predictor } from '../diagnosis/predict'
import { findProcedure, buildCatalogue, parseProbe, readingShapeFor, type TestCatalogue } from '../diagnosis/catalogue'
import type { Sheet } from '../model/sheet'

/**
 * From a sheet to a predictor that answers everything about it.
 *
 * @param acceptance what makes a winding good
 * @param knownGood the shop's readings of good parts, SI, by parameter id
 * @param history what the shop's closed jobs found
 */
export function createPredictor(
  sheet: Sheet,
  acceptance: Acceptance = 'published',
  knownGood: KnownGood = {},
  history?: ShopHistory,
): Predictor {
  const machine = withAcceptance(buildMachine(sheet), acceptance, knownGood)
  return new Predictor(buildCatalogue(history ? withShopHistory(machine, history) : machine))
}

/** The names that evidence about this machine may use. */
export function vocabularyOf(catalogue: TestCatalogue): Vocabulary {
  const { machine, procedures } = catalogue
  const { sheet, parts, kinds } = machine
  const byHand = parts.filter((p) => kinds[p.index].manual).map((p) => p.id)
  const bridged = parts.filter((p) => kinds[p.index].jumperAllowed).map((p) => p.id)
  const panels = sheet.panels.map((p) => p.id)
  return {
    complaints: sheet.complaints.map((c) => c.id),
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
      const read = parseProbe(catalogue, text, instrument)
      return read.ok ? ok(read.value.id) : read
    },
    targets: {
      open: panels,
      close: panels,
      unplug: byHand,
      plug: byHand,
      jumper: bridged,
      unjumper: bridged,
      start: sheet.programs.map((p) => p.id),
      repair: sheet.repairs.map((r) => r.id),
    },
  }
}
