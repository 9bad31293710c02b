/**
 * Plays drawn calls in the real interface, over all machines of the demo world, on a laptop and a phone, in three looks,
 * and measures every turn, how long a job takes to its first advice, and an entry to the other person on the job: `npm run bench:visit` (`--sheets a,b`, `--calls 3`,
 * `--seed 1`; `--calls 0`: the times alone). Hours where all is asked: `--pool FILE` keeps what is played, so that it goes on
 * after a stop, and `--part 1/2` plays every second call and times nothing. A file stands for one state of the application.
 */
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { findShipped } from '../cli/library'
import { createEngine, type Engine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { readSheet } from '../core/model/sheet'
import { random } from '../core/truth'
import config from '../playwright.config'
import { ensureBuild } from '../scripts/setup/build.mjs'
import { watchPage } from '../test/browser/measure'
import { MARA, openPlace, signIn } from '../test/browser/place'
import { drawCall } from './draw'
import { firstAdvice } from './first-advice'
import { Journal } from './journal'
import { newsDelays } from './news'
import { tapsToReading } from './taps'
import { calibrate } from './timing'
import { playCall, type Played } from './visit-call'
import { report, type News, type TimedAdvice } from './visit-report'

const option = (name: string, otherwise: string): string => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? otherwise : (process.argv[at + 1] ?? otherwise)
}
const CALLS = Number(option('calls', '3'))
const SEED = Number(option('seed', '1'))
const ONLY = option('sheets', '').split(',').filter(Boolean)
const [PART, PARTS] = option('part', '1/1').split('/').map(Number) as [number, number]
const SIZES = [
  { name: 'laptop', viewport: { width: 1280, height: 800 } },
  { name: 'phone', viewport: { width: 390, height: 844 } },
] as const
const LOOKS = ['light', 'dark', 'sun'] as const
const journal = new Journal<Played | TimedAdvice | News>(option('pool', '') || undefined)

await ensureBuild(join(import.meta.dirname, '..'))
const browser = await chromium.launch(config.use!.launchOptions!)
const place = await openPlace(`visit-${PART}`)
const units = (await place.sql(
  'SELECT DISTINCT ON (sheet) sheet, title FROM units WHERE organisation_id = (SELECT organisation_id FROM users WHERE email = $1) ORDER BY sheet, title',
  [MARA.email],
)) as { sheet: string; title: string }[]

/** A drawn call of a machine, played on a screen of its own. */
async function play(sheet: string, unit: string, engine: Engine, size: number, k: number): Promise<Played> {
  const { name, viewport } = SIZES[size]!
  const look = LOOKS[(k + size) % LOOKS.length]!
  const context = await browser.newContext({ viewport, hasTouch: name === 'phone' })
  try {
    const page = await context.newPage()
    await page.addInitScript((own) => localStorage.setItem('duckweed:look', own), look)
    await watchPage(page)
    const call = drawCall(engine.catalogue, 'single', random(SEED * 1000 + k * 10 + size))
    await signIn(page, place)
    return await playCall(page, place, unit, engine, call, { sheet, size: name, look })
  } finally {
    await context.close()
  }
}

if (PARTS === 1 && !ONLY.length && !journal.has('news')) {
  const { sheet, title } = units[0]!
  const { text, file } = findShipped(sheet)!
  const { complaints } = orThrow(readSheet(text, file, findShipped))
  journal.keep('news', { delays: await newsDelays(browser, place, title, complaints[0]!.words) })
}
let count = 0
for (const { sheet, title } of units) {
  if (ONLY.length && !ONLY.includes(sheet)) continue
  const { text, file } = findShipped(sheet)!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const timed = `${sheet} first advice`
  if (PARTS === 1 && !journal.has(timed)) {
    const calibration = calibrate()
    const { words } = engine.machine.sheet.complaints[0]!
    const first = await firstAdvice(browser, place, title, words)
    const taps = await tapsToReading(browser, place, title, words)
    journal.keep(timed, { sheet, calibration, taps, ...first })
    console.log(`${timed} ${Math.round(first.begun)} ms from the call, ${Math.round(first.opened)} from nothing`)
  }
  for (const size of SIZES.keys())
    for (let k = 0; k < CALLS; k++) {
      const key = `${sheet} ${SIZES[size]!.name} ${k} seed ${SEED * 1000 + k * 10 + size}`
      if (count++ % PARTS !== PART - 1 || journal.has(key)) continue
      try {
        const played = await play(sheet, title, engine, size, k)
        journal.keep(key, played)
        console.log(`${key}: ${played.turns.length} turns${played.ended ? '' : ', not ended'}`)
      } catch (error) {
        const why = error instanceof Error ? error.message.split('\n').slice(0, 4).join(' ') : String(error)
        console.log(`${key}: BROKEN OFF ${why}`)
      }
    }
}
const all = journal.results
report(
  SEED,
  all.filter((r) => 'turns' in r),
  all.filter((r) => 'begun' in r),
  all.flatMap((r) => ('delays' in r ? r.delays : [])),
)
await browser.close()
await place.close()
process.exit(0)
