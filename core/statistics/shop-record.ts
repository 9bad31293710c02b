import type { KnownGood, Machine, ShopHistory } from '../model/machine'

/** What a closed job says of machines of its sheet. */
export interface ClosedJob {
  /** Id of the repair it was closed with; a machine works after it. */
  repair: string
  /** Ids of repairs done in it before, which did not do. */
  inVain: readonly string[]
  /** Ohms that were read in it, in their order, SI. */
  readings: readonly { test: string; si: number }[]
}

/** What a shop has seen of machines of one sheet. */
export interface ShopRecord {
  /** Years that it has looked after them, all together. */
  machineYears: number
  jobs: readonly ClosedJob[]
}

/** What the engine takes from a shop's record. */
export interface Experience {
  knownGood: KnownGood
  shopHistory: ShopHistory
}

/** A reading further from the book than this factor is a slip of a hand, not a part that works. */
const BEYOND_SLIP = 2.5

/** Tests that read one winding by itself, by id: the winding's parameter, and the repairs that may renew it. */
export function windingTests({ parts, kinds, params, faults, sheet }: Machine) {
  return parts.flatMap((part) => {
    const { windings = [], measurements } = kinds[part.index]
    const specs = measurements?.(part).filter((m) => m.type === 'ohms' && m.lifted && m.b !== '@return') ?? []
    // Which of several windings a test reads, its name does not say.
    if (windings.length !== 1 || specs.length !== 1) return []
    const { id, nominal } = params[part.param[windings[0]]]
    // Whatever is repaired at the part may have renewed it.
    const renewedBy = faults
      .filter((f) => f.part === part.index)
      .flatMap((f) => f.curedBy.map((r) => sheet.repairs[r].id))
    return [{ test: `${part.id}.${specs[0].id}`, param: id, nominal, renewedBy: new Set(renewedBy) }]
  })
}

/**
 * What a shop's closed jobs teach: a winding that was read, stayed in and worked afterwards is known good, and what closed the
 * jobs moves the rates. A repair that cures several faults shares its cases out among them as the sheet's rates do.
 *
 * @param record jobs of any revision; names that this one does not have are left out of account
 */
export function experienceFrom(machine: Machine, { machineYears, jobs }: ShopRecord): Experience {
  const knownGood: Record<string, number[]> = {}
  const windings = windingTests(machine)
  for (const { repair, inVain, readings } of jobs)
    for (const { test, param, nominal, renewedBy } of windings) {
      const last = readings.findLast((r) => r.test === test)
      if (!last || [repair, ...inVain].some((r) => renewedBy.has(r))) continue
      if (last.si < nominal / BEYOND_SLIP || last.si > nominal * BEYOND_SLIP) continue
      ;(knownGood[param] ??= []).push(last.si)
    }
  const cases: Record<string, number> = {}
  for (const { repair } of jobs) {
    const cured = machine.faults.filter((f) => f.curedBy.some((r) => machine.sheet.repairs[r].id === repair))
    const all = cured.reduce((sum, f) => sum + f.ratePerYear, 0)
    for (const f of cured) cases[f.id] = (cases[f.id] ?? 0) + f.ratePerYear / all
  }
  return { knownGood, shopHistory: { machineYears, cases } }
}
