import { orThrow } from '../../core/foundation/result'
import { flattenSheet } from '../../core/model/sheet'
import type { Command } from '../command'
import { loadSheet, sourceOf } from '../input'
import { findShipped } from '../library'

/** Writes a sheet out in one piece. */
export const whole: Command = {
  name: 'whole',
  usage: 'SHEET',
  options: {},
  run([name]) {
    const { text, file } = sourceOf(name)
    loadSheet(name)
    process.stdout.write(orThrow(flattenSheet(text, file, findShipped)))
    return undefined
  },
}
