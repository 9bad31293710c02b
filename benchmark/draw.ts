import { unlistedFaults, type Fault, type ActiveFault } from '../core/model/machine'
import type { TestCatalogue } from '../core/diagnosis/catalogue'
import { pick, weighted, type Random, DrawnMachine, type SheetErrors } from '../core/truth'

export type Sort = 'single' | 'pair' | 'unlisted'

/** A call as it comes in: a machine that really stands there, and what the customer says. */
export interface Call {
  sort: Sort
  truth: DrawnMachine
  /** Repairs that are needed; empty for a fault that the sheet does not list. */
  repairs: number[]
  complaint: string
}

const severe = (fault: Fault, next: Random): ActiveFault => {
  const rests = next() < fault.intermittentShare / 2
  const missProbability = rests ? { missProbability: 0.03 + 0.3 * next() } : {}
  if (!fault.severity) return { fault, severity: undefined, ...missProbability }
  const { from, to, scale } = fault.severity
  const u = next()
  return { fault, severity: scale === 'log' ? from * (to / from) ** u : from + (to - from) * u, ...missProbability }
}

/** Draws a call of a machine with one fault; `undefined` where nobody would call for what it came to. */
export function drawCallOf(catalogue: TestCatalogue, fault: Fault, next: Random): Call | undefined {
  for (let tries = 0; tries < 8; tries++) {
    const truth = new DrawnMachine(catalogue, [severe(fault, next)], next)
    const complaints = truth.complaints()
    if (complaints.length) return { sort: 'single', truth, repairs: [fault.repair], complaint: pick(next, complaints) }
  }
  return undefined
}

/** Draws a call of a sort; a fault that nobody would call for is drawn again. */
export function drawCall(catalogue: TestCatalogue, sort: Sort, next: Random, errors?: SheetErrors): Call {
  const { machine } = catalogue
  const others = unlistedFaults(machine).map((f) => ({ ...f, repair: -1 }))
  for (let tries = 0; tries < 40; tries++) {
    const from = sort === 'unlisted' ? others : machine.faults
    const faults = [weighted(next, from, (f) => f.ratePerYear)]
    if (sort === 'pair') faults.push(weighted(next, machine.faults, (f) => (f === faults[0] ? 0 : f.ratePerYear)))
    const truth = new DrawnMachine(
      catalogue,
      faults.map((f) => severe(f, next)),
      next,
      errors,
    )
    const complaints = truth.complaints()
    if (!complaints.length) continue
    const repairs = [...new Set(faults.map((f) => f.repair))].filter((r) => r >= 0)
    return { sort, truth, repairs, complaint: pick(next, complaints) }
  }
  throw new Error(`no fault of sort ${sort} that anybody would call for`)
}
