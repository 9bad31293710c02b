import { findShipped } from '../../../cli/library'
import { orThrow } from '../../../core/foundation/result'
import { flattenSheet } from '../../../core/model/sheet'
import { renameAll } from './rename'

/** A shipped sheet in one piece, as text. */
export function flatText(id: string): string {
  const { text, file } = findShipped(id)!
  return orThrow(flattenSheet(text, file, findShipped))
}

/** A shipped sheet as it is, and with every id a random token: each with what a name of its own is called there. */
export function underEveryName(id: string): [text: string, of: (name: string) => string][] {
  const whole = flatText(id)
  const { renamed, name } = renameAll(whole)
  return [
    [whole, (x) => x],
    [renamed, name],
  ]
}
