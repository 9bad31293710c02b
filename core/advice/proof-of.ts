import { handsGoIn } from '../evidence'
import { permittedBy, type TestCatalogue } from '../diagnosis/catalogue'
import { CYCLE, type ProofNeed } from '../job'
import type { Machine } from '../model/machine'
import { describeProofNeed, type ProofSort } from '../words'
import { repairActsOf, repairedParts } from './repair-acts'

/** Above this a supply can kill, and what is earthed has to be, V (extra-low voltage ends here in dry places). */
const EXTRA_LOW = 50

/** Supplies of mains voltage, by index. */
const mainsOf = ({ parts, kinds, params }: Machine): number[] =>
  parts.filter((p) => kinds[p.index].conductors && params[p.param.volts]?.nominal > EXTRA_LOW).map((p) => p.index)

/** Whether a part hangs in a circuit of the mains, and not behind a transformer alone. */
function isOnMains({ parts, returnAt }: Machine, part: number, mains: readonly number[]): boolean {
  return Object.values(parts[part].nodes).some((node) => mains.includes(returnAt[node]?.part ?? -1))
}

/** What heats: its parts, and what they heat. */
function heatOf({ parts, kinds }: Machine): { heaters: number[]; heated: Set<number> } {
  const heaters = parts.filter((p) => kinds[p.index].endangers === 'heat').map((p) => p.index)
  return { heaters, heated: new Set(heaters.flatMap((h) => Object.values(parts[h].ref))) }
}

/** What ends the heat when something is wrong with what it heats: thermostats, cut-outs, low-water and pressure switches. */
function limitsOf(catalogue: TestCatalogue): number[] {
  const { machine } = catalogue
  const { heaters, heated } = heatOf(machine)
  return machine.parts
    .filter(({ index, ref }) => {
      const kind = machine.kinds[index]
      if (heaters.includes(index) || !Object.values(ref).some((r) => heated.has(r) || heaters.includes(r))) return false
      const trips = kind.modes?.some((m) => m.stays && m.values.includes('tripped')) ?? false
      return trips || (kind.interrupts !== undefined && permittedBy(catalogue, index).some((d) => heaters.includes(d)))
    })
    .map((p) => p.index)
}

/**
 * What has to hold after a repair, before the machine is left with its user: by what hands did for it, on what circuits its
 * parts hang, and what they stand beside. Work of licensed people is theirs to prove.
 *
 * @param repair index of the repair
 */
export function proofsFor(catalogue: TestCatalogue, repair: number): ProofNeed[] {
  const { machine } = catalogue
  const { sheet, parts, kinds } = machine
  if (sheet.repairs[repair].licensed !== undefined) return []
  const touched = repairedParts(machine, repair)
  const acts = repairActsOf(machine, repair)
  const mains = mainsOf(machine)
  const earthed = mains.some((s) => kinds[s].conductors!.E !== undefined)
  const opened = handsGoIn(acts)
  const onMains = acts.includes('terminals') && touched.some((p) => isOnMains(machine, p, mains))
  const { heaters, heated } = heatOf(machine)
  const besideHeat = touched.some(
    (p) => heaters.includes(p) || heated.has(p) || Object.values(parts[p].ref).some((r) => heated.has(r)),
  )
  const wet = acts.includes('hose') || touched.some((p) => Object.keys(parts[p].ports).length > 0)
  const byHand = parts.some((p) => p.line === 'water' && kinds[p.index].modes?.some((m) => m.byHand) === true)
  const hasTaps = parts.some((p) => p.line === 'water' && kinds[p.index].manual !== undefined)
  const need = (sort: ProofSort, part?: number): ProofNeed => {
    const { title, unless } = describeProofNeed(sort, part === undefined ? undefined : parts[part].title)
    const id = part === undefined ? sort : `${sort}:${parts[part].id}`
    return { id, title, ...(unless === undefined ? {} : { unless }) }
  }
  return [
    ...(opened ? [need('meter')] : []),
    ...(opened && mains.length && earthed ? [need('earth')] : []),
    ...(onMains ? [need('insulation')] : []),
    need(CYCLE),
    ...(besideHeat ? limitsOf(catalogue).map((p) => need('limit', p)) : []),
    ...(wet ? [need('leak')] : []),
    ...(byHand || hasTaps ? [need('taps')] : []),
    ...(acts.includes('open') ? [need('covers')] : []),
  ]
}
