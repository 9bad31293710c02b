import type { Cure, WorkTemplate } from '../kinds'
import type { Machine } from './types'

/** How the trade does a repair on a part of its kind. */
export interface UsualWork {
  part: number
  work: WorkTemplate
}

function worksOf({ kinds, parts }: Machine, part: number) {
  const { works, worksBy } = kinds[part]
  return (worksBy && worksBy.works[parts[part].choice[worksBy.choice]]) ?? works
}

/**
 * What the kinds of a repair's parts say of how it is done: of the likeliest of its faults whose kind says anything. What the sheet names
 * as the work of the repair goes before what its faults are usually cured by.
 *
 * @param repair index of the repair
 */
export function usualWorkOf(machine: Machine, repair: number): UsualWork | undefined {
  const { sheet, partIndex } = machine
  const { id, notes } = sheet.repairs[repair]
  const own = sheet.faults.filter((f) => f.repair === id || f.instead.includes(id))
  const likeliestFirst = own.toSorted((a, b) => b.ratePerYear - a.ratePerYear)
  for (const { part, cure, repair: first } of likeliestFirst) {
    const index = partIndex.get(part)!
    // What is done instead is another work than the one that usually cures it.
    const usual: Cure | undefined = first === id ? cure : undefined
    const done = notes.work ?? usual
    const work = done && worksOf(machine, index)?.[done]
    if (work) return { part: index, work }
  }
  return undefined
}
