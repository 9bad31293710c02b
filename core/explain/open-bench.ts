import type { Vocabulary } from '../evidence'
import { METERS } from '../instrument'
import { buildMachine } from '../machine'
import { Predictor } from '../predict'
import { listProcedures, type Bench } from '../procedure'
import type { Sheet } from '../sheet'

/** From a sheet to a predictor that answers everything about it. */
export const openBench = (sheet: Sheet): Predictor => new Predictor(listProcedures(buildMachine(sheet)))

/** The names that evidence about this machine may use. */
export function vocabularyOf({ machine, procedures }: Bench): Vocabulary {
  const { sheet, parts, kinds } = machine
  const byHand = parts.filter((p) => kinds[p.index].hand).map((p) => p.id)
  const bridged = parts.filter((p) => kinds[p.index].jumperAllowed).map((p) => p.id)
  const panels = sheet.panels.map((p) => p.id)
  return {
    complaints: sheet.complaints.map((c) => c.id),
    tests: new Map(procedures.map((p) => [p.id, p.shape])),
    instruments: METERS.map((m) => m.id),
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
