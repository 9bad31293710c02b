/**
 * `npm run bench`: how good and how fast the advice is. The truth is a machine with values of its own, run by the plain
 * simulator alone. One table a sheet; a figure not reached is printed as not reached. Same seed, same table.
 *
 *     npm run bench -- [--sheet ID]... [--seed N] [--singles N] [--pairs N] [--unlisted N] [--left-out N] [--only speed|optimum|quality]
 */
import { parseArgs } from 'node:util'
import { findShipped } from '../cli/library'
import { openBench } from '../core/explain'
import { orThrow } from '../core/issue'
import { readSheet } from '../core/sheet'
import { optimumRows } from './optimum'
import { qualityRows } from './quality'
import { speedRows } from './speed'
import { printRows } from './table'

const { values } = parseArgs({
  options: {
    sheet: { type: 'string', multiple: true },
    seed: { type: 'string' },
    singles: { type: 'string' },
    pairs: { type: 'string' },
    unlisted: { type: 'string' },
    'left-out': { type: 'string' },
    only: { type: 'string' },
  },
})
const number = (text: string | undefined, usual: number) => (text === undefined ? usual : Number(text))
const seed = number(values.seed, 1)

for (const id of values.sheet ?? ['orrisk-tl40']) {
  const { text, file } = findShipped(id)!
  const open = (without?: string) => {
    const sheet = orThrow(readSheet(text, file, findShipped))
    return openBench({ ...sheet, faults: sheet.faults.filter((f) => f.id !== without) })
  }
  const wants = (part: string) => values.only === undefined || values.only === part
  if (wants('speed')) printRows(`${id}: speed, seed ${seed}`, speedRows(open, 12, seed))
  if (wants('optimum')) printRows(`${id}: against the optimum, seed ${seed}`, optimumRows([open()], 40, seed))
  if (wants('quality')) {
    const options = {
      seed,
      singles: number(values.singles, 30),
      pairs: number(values.pairs, 10),
      unlisted: number(values.unlisted, 6),
      leftOut: number(values['left-out'], 10),
    }
    printRows(`${id}: quality, seed ${seed}`, qualityRows(open, options))
  }
}
