import { benchChecksOf, usualWorkOf, type Machine } from '../model/machine'
import type { RepairNotes } from '../model/sheet'
import { describeBench, describePanel, describeSeat, describeWork } from '../words'
import { repairedParts } from './repair-acts'

/** What hands need at a repair, in words. */
export interface RepairGuide extends RepairNotes {
  /** How what it is done on is got at: panels with their screws, where parts sit. */
  access: readonly string[]
  /** What is checked of its parts off the machine, with what a good one shows. */
  bench: readonly string[]
  /** Whether its steps are the usual ones of such a part: its sheet has none of its own. */
  usual: boolean
  /** Where the steps of the sheet are from: document and page. */
  source: string
  /** Other repairs that cure the same, where the trade differs. */
  instead: readonly { title: string; minutes: number; price: number }[]
}

/** @param repair index of the repair */
export function repairGuideOf(machine: Machine, repair: number): RepairGuide {
  const { sheet, parts } = machine
  const { id, notes, licensed } = sheet.repairs[repair]
  const faults = sheet.faults.filter((f) => f.repair === id)
  const places = repairedParts(machine, repair)
  const panels = new Set(places.map((p) => parts[p].panel))
  const sits = places.map((p) => describeSeat(sheet.parts[p])).filter(Boolean)
  const others = new Set(faults.flatMap((f) => f.instead))
  const usual = licensed === undefined && notes.steps.length === 0 ? usualWorkOf(machine, repair) : undefined
  return {
    ...notes,
    usual: usual !== undefined,
    source: sheet.source,
    steps: usual ? describeWork(usual, parts[usual.part].title) : notes.steps,
    lookAt: notes.lookAt.length ? notes.lookAt : (usual?.work.lookAt ?? []),
    proved: notes.proved ?? usual?.work.proved,
    access: licensed === undefined ? [...sheet.panels.filter((p) => panels.has(p.id)).map(describePanel), ...sits] : [],
    bench:
      licensed === undefined
        ? [...new Set(places.flatMap((p) => benchChecksOf(machine, p).map((c) => describeBench(c))))]
        : [],
    instead: sheet.repairs
      .filter((r) => others.has(r.id))
      .map(({ title, minutes, price }) => ({ title, minutes, price })),
  }
}
