/**
 * `npm run bench`: how good and how fast the advice is. The truth is a machine with values of its own, run by the plain
 * simulator alone. One table a sheet; a figure not reached is printed as not reached. Same seed, same table.
 *
 *     npm run bench -- [--sheet ID]... [--seed N] [--singles N] [--pairs N] [--unlisted N] [--left-out N] [--only speed|browser|optimum|quality]
 */
import { parseArgs } from 'node:util'
import { findShipped, shippedIds } from '../cli/library'
import { openBench } from '../core/explain'
import { orThrow } from '../core/issue'
import { readSheet } from '../core/sheet'
import { chromiumRows } from './chromium'
import { optimumRows } from './optimum'
import { qualityRows } from './quality'
import { speedRows } from './speed'
import { printRows } from './table'
import { wideSheet, WIDE_ZONES } from './wide-sheet'

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

/** Shipped sheets, and one wider than any of them. */
const texts = {
  ...Object.fromEntries(shippedIds().map((id) => [id, findShipped(id)!])),
  wide: wideSheet(WIDE_ZONES),
}
const find = (id: string) => texts[id as keyof typeof texts]

for (const id of values.sheet ?? ['orrisk-tl40', 'wide']) {
  const { text, file } = find(id)
  const open = (without?: string) => {
    const sheet = orThrow(readSheet(text, file, find))
    return openBench({ ...sheet, faults: sheet.faults.filter((f) => f.id !== without) })
  }
  const wants = (part: string) =>
    values.only === undefined ? id !== 'wide' || part === 'speed' || part === 'browser' : values.only === part
  if (wants('speed')) printRows(`${id}: speed, seed ${seed}`, speedRows(open, 12, seed))
  if (wants('browser')) printRows(`${id}: in the browser, seed ${seed}`, await chromiumRows(id, texts, 6, seed))
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
