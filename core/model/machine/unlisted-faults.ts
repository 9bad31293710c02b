import { faultTitle, templateEffects, templateTitle } from '../sheet'
import { indexFault } from './index-fault'
import type { Fault, Machine } from './types'

/**
 * Faults that the kinds of a machine's parts know and its sheet does not list, at the rates typical of the kinds.
 *
 * Their `index` is -1. Their `repair` is the dearest one that the sheet has for a listed fault of the same part: the part
 * changed as a whole; -1 where the sheet has none.
 */
export function unlistedFaults(machine: Machine): Fault[] {
  const { repairs } = machine
  const listed = new Set(machine.faults.map((f) => f.id))
  return machine.parts.flatMap((part) => {
    const known = machine.faults.filter((f) => f.part === part.index).map((f) => f.repair)
    const repair = known.reduce((a, b) => (a < 0 || repairs[b].price > repairs[a].price ? b : a), -1)
    return Object.entries(machine.kinds[part.index].faults ?? {}).flatMap(([name, template]) => {
      const id = `${part.id}.${name}`
      if (listed.has(id)) return []
      const { only, ratePerYear, severity } = template
      if (only && !only.is.includes(part.choice[only.choice])) return []
      const title = templateTitle(template, part.choice)
      const effects = templateEffects(part.id, template.effects)
      const written = {
        id,
        part: part.id,
        title: faultTitle(part.title, title),
        effects,
        ratePerYear: ratePerYear * machine.sheet.rateScale,
        priorExposureYears: 1,
        latent: false,
        severity,
        repair: '',
        intermittentShare: 0,
        saidWith: template.saidWith ?? {},
        causes: [],
        cure: undefined,
        instead: [],
      }
      return [
        { ...indexFault(written, -1, machine.sheet, machine.parts, machine.partIndex), repair, curedBy: [repair] },
      ]
    })
  })
}
