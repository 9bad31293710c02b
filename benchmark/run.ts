/**
 * `npm run bench`: how good and how fast the advice is. The truth is a machine with values of its own, run by the plain
 * simulator alone. One table a sheet; a figure not reached is printed as not reached. Same seed, same table.
 *
 *     npm run bench -- [--sheet ID]... [--seed N] [--singles N] [--pairs N] [--unlisted N] [--left-out N] [--only speed|browser|optimum|quality]
 *     npm run bench -- --all [...]         one line for each machine of the library
 *     npm run bench -- --pool FILE [--part I/N] [--each N] [--pairs N] [--left-out N] [--singles N] [--wrong-sheet N] [--sheet ID]...
 *
 * `--pool` appends each call to the file as it is played, goes on after a stop where it was, and takes one of several parts of
 * the work; then it prints what all calls in the file came to, with 95 % intervals.
 */
import { spawnSync } from 'node:child_process'
import { parseArgs } from 'node:util'
import { findShipped, shippedIds } from '../cli/library'
import { createEngine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import type { Predictor } from '../core/diagnosis/predict'
import { readSheet } from '../core/model/sheet'
import { QUALITY_AIMS } from './aims'
import { partOf, plannedCalls, playCalls, type CallRecord } from './calls'
import { chromiumRows } from './chromium'
import { optimumRows } from './optimum'
import { Journal } from './journal'
import { pooledRows } from './pool'
import { qualityOf, qualityRows } from './quality'
import { speedRows } from './speed'
import { printOverview, printRows, type Row } from './table'
import { wideSheet, WIDE_ZONES } from './wide-sheet'

const { values } = parseArgs({
  options: {
    all: { type: 'boolean' },
    /** Used by the overview for each of its lines. */
    cells: { type: 'string' },
    sheet: { type: 'string', multiple: true },
    seed: { type: 'string' },
    singles: { type: 'string' },
    pairs: { type: 'string' },
    unlisted: { type: 'string' },
    'left-out': { type: 'string' },
    'wrong-sheet': { type: 'string' },
    only: { type: 'string' },
    pool: { type: 'string' },
    part: { type: 'string' },
    each: { type: 'string' },
  },
})
const number = (text: string | undefined, usual: number) => (text === undefined ? usual : Number(text))
const seed = number(values.seed, 1)
const few = values.all ? 0.4 : 1
const options = {
  seed,
  singles: number(values.singles, 30 * few),
  pairs: number(values.pairs, 10 * few),
  unlisted: number(values.unlisted, 5 * few),
  leftOut: number(values['left-out'], 20 * few),
  each: number(values.each, 0),
}

/** Shipped sheets, and one wider than any of them. */
const texts: Record<string, { text: string; file: string }> = {
  ...Object.fromEntries(shippedIds().map((id) => [id, findShipped(id)!])),
  wide: wideSheet(WIDE_ZONES),
}
const sheetOf = (id: string) => {
  if (!texts[id]) throw new Error(`There is no sheet ${id}: one of ${Object.keys(texts).join(', ')}`)
  return orThrow(readSheet(texts[id].text, texts[id].file, (name) => texts[name]))
}
const opener = (id: string) => (without?: string) => {
  const sheet = sheetOf(id)
  return createEngine({ ...sheet, faults: sheet.faults.filter((f) => f.id !== without) }).predictor
}

/** The figures of one sheet, for its line of the overview. */
function cellsOf(id: string): Row[] {
  const open = opener(id)
  const { machine, procedures } = open().catalogue
  return [
    { what: 'faults', figure: machine.faults.length, unit: '' },
    { what: 'tests', figure: procedures.length, unit: '' },
    ...(values.only === 'quality' ? [] : speedCells(open)),
    ...(values.only === 'speed' ? [] : qualityCells(open)),
  ]
}

/** One line a sheet, each measured in a process of its own: a cold start is cold. */
function overview(ids: readonly string[]): void {
  const sheets = ids.map((id) => {
    const args = [...process.argv.slice(1), '--cells', id]
    const { stdout, status } = spawnSync(process.execPath, args, {
      stdio: ['ignore', 'pipe', 'inherit'],
      encoding: 'utf8',
      maxBuffer: 1e8,
    })
    if (status !== 0) throw new Error(`${id}: the measurement failed`)
    console.log(`${id}: done`)
    return { id, cells: JSON.parse(stdout) as Row[] }
  })
  printOverview(sheets)
  const { singles, pairs, leftOut } = options
  if (values.only !== 'speed')
    console.log(
      `on each sheet ${singles} calls with one fault, ${pairs} with two, ${leftOut} with one left off; seed ${seed}`,
    )
}

function speedCells(open: () => Predictor): Row[] {
  const rows = speedRows(open, 6, seed)
  const from = (start: string, what: string): Row => ({ ...rows.find((r) => r.what.startsWith(start))!, what })
  return [
    from('cold start', 'cold ms'),
    from('every test', 'table ms'),
    from('step, quick answer, p95', 'quick p95'),
    from('step, settled with pairs, p95', 'settled p95'),
    from('a free probe', 'probe ms'),
    from('plain 10 ms', 'plain/event'),
    from('memory', 'MB'),
  ]
}

const measureQuality = (open: (without?: string) => Predictor) =>
  qualityOf(playCalls(plannedCalls(open, options), new Journal<CallRecord>()))

function qualityCells(open: (without?: string) => Predictor): Row[] {
  const q = measureQuality(open)
  return [
    { what: 'minutes', figure: q.worked[0].minutes, unit: 'min' },
    { what: 'of named', figure: q.againstNamed, unit: '', most: QUALITY_AIMS.ofNamed },
    { what: 'of checklist', figure: q.againstChecklist, unit: '', most: QUALITY_AIMS.ofChecklist },
    { what: 'in vain/100', figure: q.worked[0].inVain, unit: '', most: QUALITY_AIMS.inVain },
    { what: 'live a call', figure: q.worked[0].live, unit: '' },
    { what: 'right %', figure: q.rightInTheEnd, unit: '%', least: QUALITY_AIMS.right },
    { what: 'pairs %', figure: q.pairsRight, unit: '%', least: QUALITY_AIMS.pairs },
    { what: 'sure&wrong %', figure: q.sureAndWrong, unit: '%', most: QUALITY_AIMS.sureAndWrong },
    { what: 'left out %', figure: q.leftOutNoticed, unit: '%', least: QUALITY_AIMS.noticed },
    { what: 'named %', figure: q.leftOutNamed, unit: '%' },
    { what: 'undecided %', figure: q.undecided, unit: '%' },
    { what: 'no fit %', figure: q.saidToFitNothing, unit: '%', most: QUALITY_AIMS.noFit },
  ]
}

async function tables(id: string): Promise<void> {
  const open = opener(id)
  // The wide sheet is there for its width: how fast it is, not how its calls end.
  const usual = id === 'wide' ? ['speed', 'browser'] : ['speed', 'browser', 'optimum', 'quality']
  const wants = (part: string) => (values.only === undefined ? usual.includes(part) : values.only === part)
  if (wants('speed')) printRows(`${id}: speed, seed ${seed}`, speedRows(open, 12, seed))
  if (wants('browser')) printRows(`${id}: in the browser, seed ${seed}`, await chromiumRows(id, texts, 6, seed))
  if (wants('optimum')) printRows(`${id}: against the optimum, seed ${seed}`, optimumRows([open()], 40, seed))
  if (wants('quality')) printRows(`${id}: quality, seed ${seed}`, qualityRows(measureQuality(open)))
}

/** Plays a part of the calls of some sheets into a file and prints what stands in it by now. */
function pool(file: string, ids: readonly string[]): void {
  const journal = new Journal<CallRecord>(file)
  const calls = {
    ...options,
    singles: number(values.singles, 2),
    each: number(values.each, 2),
    pairs: number(values.pairs, 30),
    leftOut: number(values['left-out'], 30),
    unlisted: number(values.unlisted, 0),
    wrongSheet: number(values['wrong-sheet'], 10),
  }
  for (const id of ids) {
    playCalls(plannedCalls(opener(id), calls), journal, partOf(values.part))
    console.log(`${id}: done`)
  }
  // What others have added meanwhile counts as well.
  const all = new Journal<CallRecord>(file).results
  for (const id of ids)
    printRows(
      id,
      pooledRows(all.filter((r) => r.sheet === id)).filter((r) => r.of !== undefined),
    )
  printRows(`all together, seed ${seed}`, pooledRows(all))
}

const machines = shippedIds().filter((id) => {
  const { family, assembly } = sheetOf(id)
  return !family && !assembly
})
if (values.pool) pool(values.pool, values.sheet ?? machines)
else if (values.cells) console.log(JSON.stringify(cellsOf(values.cells)))
else if (values.all) overview(values.sheet ?? machines)
else for (const id of values.sheet ?? ['orrisk-tl40', 'wide']) await tables(id)
