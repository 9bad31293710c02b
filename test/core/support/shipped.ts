import { findShipped, shippedIds } from '../../../cli/library'
import { orThrow } from '../../../core/foundation/result'
import { flattenSheet } from '../../../core/model/sheet'
import type { Predictor } from '../../../core/diagnosis/predict'
import { renameAll } from './rename'
import { predictorOf, sheetOf } from './sheets'

/** A shipped sheet in one piece, as text. */
export function flatText(id: string): string {
  const { text, file } = findShipped(id)!
  return orThrow(flattenSheet(text, file, findShipped))
}

/** Machines that customers own, by id: what holds of a family or a sub-assembly is asked of the machines made of it. */
export const shippedMachines = (): string[] =>
  shippedIds().filter((id) => {
    const { assembly, family } = sheetOf(findShipped(id)!.text)
    return !assembly && !family
  })

const familyOf = (id: string) => /^extends: (.+)$/m.exec(findShipped(id)!.text)?.[1]
/** One machine of each family. */
export const oneOfEachFamily = (): string[] =>
  shippedMachines().filter((id, i, all) => all.findIndex((other) => familyOf(other) === familyOf(id)) === i)

/** A shipped sheet with what has been asked of it before. */
export const shippedPredictor = (id: string): Predictor => predictorOf(findShipped(id)!.text)

/**
 * A shipped sheet with every id a random token, and what a name of its own is called there: what holds of it holds whatever the
 * names. That they change no number is asked of whole calls in `stories`.
 */
export function underOtherNames(id: string): [text: string, of: (name: string) => string] {
  const { renamed, name } = renameAll(flatText(id))
  return [renamed, name]
}

/** A shipped sheet as it is, and under other names. */
export const underEveryName = (id: string): [text: string, of: (name: string) => string][] => [
  [findShipped(id)!.text, (x) => x],
  underOtherNames(id),
]
