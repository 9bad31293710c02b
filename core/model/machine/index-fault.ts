import type { Part } from '../kinds'
import type { Sheet, SheetFault } from '../sheet'
import type { Effect, Fault } from './types'

/** A fault with its names replaced by indices. */
export function indexFault(
  f: SheetFault,
  index: number,
  sheet: Sheet,
  parts: readonly Part[],
  partIndex: ReadonlyMap<string, number>,
): Fault {
  const repairAt = (id: string) => sheet.repairs.findIndex((r) => r.id === id)
  return {
    index,
    id: f.id,
    title: f.title,
    part: partIndex.get(f.part)!,
    effects: f.effects.map((e): Effect => {
      if (e.type === 'swap')
        return {
          type: 'swap',
          medium: e.medium === 'wiring' ? 'nodes' : 'ports',
          partA: partIndex.get(e.a.part)!,
          endA: e.a.terminal,
          partB: partIndex.get(e.b.part)!,
          endB: e.b.terminal,
        }
      const target = partIndex.get(e.part)!
      if (e.type === 'param') return { type: 'param', param: parts[target].param[e.param], op: e.op, value: e.value }
      const spec = sheet.parts[target].kind.modes!.find((m) => m.name === e.mode)!
      return { type: 'mode', mode: parts[target].mode[e.mode], value: spec.values.indexOf(e.value) }
    }),
    ratePerYear: f.ratePerYear,
    priorExposureYears: f.priorExposureYears,
    severity: f.severity,
    repair: repairAt(f.repair),
    curedBy: [f.repair, ...f.instead].map(repairAt),
    intermittentShare: f.intermittentShare,
    saidWith: f.saidWith,
    causes: f.causes.map(({ fault, chance }) => ({ fault: sheet.faults.findIndex((x) => x.id === fault), chance })),
  }
}
