/**
 * Plays drawn calls in the real interface, over all machines of the demo world, on a laptop and a phone, in three looks,
 * and measures every turn, and how long a job takes to its first advice: `npm run bench:visit` (`--sheets a,b`, `--calls 3`,
 * `--seed 1`; `--calls 0`: the first advice alone). Hours where all is asked.
 */
import { join } from 'node:path'
import { chromium, type Browser, type Page } from '@playwright/test'
import { findShipped } from '../cli/library'
import { createEngine, type Engine } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { readSheet } from '../core/model/sheet'
import { random } from '../core/truth'
import config from '../playwright.config'
import { ensureBuild } from '../scripts/setup/build.mjs'
import { takeNext } from '../test/browser/machine'
import {
  axeViolations,
  leastLineContrast,
  longestTask,
  measureTurn,
  newTurn,
  tabStops,
  watchPage,
  type TurnMeasure,
} from '../test/browser/measure'
import { cause, MARA, openPlace, readings, settled, signIn, testCard, type Place } from '../test/browser/place'
import { drawCall, type Call } from './draw'
import { calibrate } from './timing'
import { firstAdvice, type FirstAdvice } from './first-advice'
import { printRows, type Row } from './table'

const option = (name: string, otherwise: string): string => {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? otherwise : (process.argv[at + 1] ?? otherwise)
}
const CALLS = Number(option('calls', '3'))
const SEED = Number(option('seed', '1'))
const ONLY = option('sheets', '').split(',').filter(Boolean)
const MOST_TURNS = 16
/** Times of a run whose calibration differs by more than this share say little. */
const BUSY_FROM = 0.2
const SIZES = [
  { name: 'laptop', viewport: { width: 1280, height: 800 } },
  { name: 'phone', viewport: { width: 390, height: 844 } },
] as const
const LOOKS = ['light', 'dark', 'sun'] as const
/** A second tap comes so long after the first, ms. */
const DOUBLE_TAPS = [120, 200, 350]

interface Played {
  sheet: string
  size: string
  look: string
  turns: TurnMeasure[]
  extra: number
  doubled: number
  stops: number[]
  axe: string[]
  contrast: number
  longest: number
  ended: boolean
}

/** Taps where an answer has just been tapped, as a hand does that slips. */
async function tapAgain(page: Page, at: { x: number; y: number } | undefined, after: number): Promise<void> {
  await page.waitForTimeout(after)
  if (at) await page.mouse.click(at.x, at.y)
  await page.keyboard.press('Enter')
}

/** From the new call to the first question. @returns what the accessibility check said on the way */
async function beginCall(page: Page, place: Place, unit: string, words: string): Promise<string[]> {
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill(unit)
  await page.getByRole('button', { name: unit }).first().click()
  await page.getByRole('button', { name: words, exact: true }).click()
  const said = await axeViolations(page)
  await page.getByRole('button', { name: 'Begin the job' }).click()
  await page.getByRole('button', { name: 'Go on: find the cause' }).waitFor()
  said.push(...(await axeViolations(page)))
  await page.getByRole('button', { name: 'Go on: find the cause' }).click()
  await settled(page)
  await newTurn(page)
  return said
}

async function playCall(
  page: Page,
  place: Place,
  unit: string,
  engine: Engine,
  call: Call,
  name: Omit<Played, 'turns' | 'extra' | 'doubled' | 'stops' | 'axe' | 'contrast' | 'longest' | 'ended'>,
): Promise<Played> {
  const out: Played = {
    ...name,
    turns: [],
    extra: 0,
    doubled: 0,
    stops: [],
    axe: [],
    contrast: 21,
    longest: 0,
    ended: false,
  }
  const { words } = engine.machine.sheet.complaints.find((c) => c.id === call.complaint)!
  out.axe.push(...(await beginCall(page, place, unit, words)))
  for (let k = 0; k < MOST_TURNS; k++) {
    // What is asked has stood there while somebody fetched a meter.
    await page.waitForTimeout(700)
    out.turns.push(await measureTurn(page, k ? 1 : 0))
    out.contrast = Math.min(out.contrast, await leastLineContrast(page))
    if (k === 0 || k === 3) {
      out.axe.push(...(await axeViolations(page)))
      out.stops.push(await tabStops(page))
      await page.keyboard.press('Escape')
    }
    if (await cause(page).count()) {
      out.axe.push(...(await axeViolations(page)))
      out.ended = true
      break
    }
    const clear = page.getByRole('button', { name: /^Clear enough now/ })
    if (await clear.count()) {
      await clear.click()
      await settled(page)
      await newTurn(page)
      continue
    }
    const before = await readings(page).count()
    await newTurn(page)
    const at = await takeNext(page, engine, call.truth)
    out.longest = Math.max(out.longest, await longestTask(page))
    await tapAgain(page, at, DOUBLE_TAPS[k % DOUBLE_TAPS.length]!)
    out.doubled++
    await settled(page)
    const after = await readings(page).count()
    out.extra += Math.max(0, after - before - 1)
    if (after === before) throw new Error(`nothing was entered at ${await testCard(page).getAttribute('aria-label')}`)
  }
  return out
}

/** What the turns of the calls played come to; nothing where none was played. */
function turnRows(played: readonly Played[]): Row[] {
  if (!played.length) return []
  const turns = played.flatMap((p) => p.turns)
  const share = (of: (t: TurnMeasure) => boolean) => (100 * turns.filter(of).length) / Math.max(1, turns.length)
  const total = (of: (t: TurnMeasure) => number) => turns.reduce((s, t) => s + of(t), 0)
  const stops = played.flatMap((p) => p.stops)
  return [
    { what: 'act and how at hand', figure: share((t) => t.atHand), unit: '%', least: 100, of: turns.length },
    { what: 'layout shift, worst turn', figure: Math.max(0, ...turns.map((t) => t.shift)), unit: '', most: 0.05 },
    {
      what: 'turns that shift more',
      figure: turns.filter((t) => t.shift > 0.05).length,
      unit: '',
      most: 0,
      of: turns.length,
    },
    { what: 'questions exchanged', figure: total((t) => t.exchanged), unit: '', most: 0, of: turns.length },
    { what: 'links contradicting suspects', figure: total((t) => t.contradictions.length), unit: '', most: 0 },
    { what: 'labels cut or overlapping', figure: total((t) => t.labels.length), unit: '', most: 0 },
    { what: 'lines behind foreign boxes', figure: total((t) => t.lines), unit: '', most: 0 },
    { what: 'axe violations', figure: played.reduce((s, p) => s + p.axe.length, 0), unit: '', most: 0 },
    {
      what: 'least contrast of a line',
      figure: Math.min(21, ...played.map((p) => p.contrast)),
      unit: '',
      least: 3,
    },
    { what: 'most Tab stops before the act', figure: Math.max(0, ...stops), unit: '', most: 5, of: stops.length },
    {
      what: 'answers entered by a second tap',
      figure: played.reduce((s, p) => s + p.extra, 0),
      unit: '',
      most: 0,
      of: played.reduce((s, p) => s + p.doubled, 0),
    },
    {
      what: 'longest task while answering',
      figure: Math.max(0, ...played.map((p) => p.longest)),
      unit: 'ms',
      most: 50,
    },
  ]
}

function report(
  played: readonly Played[],
  firsts: ReadonlyMap<string, FirstAdvice>,
  calibrations: readonly number[],
): void {
  const turns = played.flatMap((p) => p.turns)
  const spread = (Math.max(...calibrations) - Math.min(...calibrations)) / Math.min(...calibrations)
  printRows(`${played.length} calls, ${turns.length} turns, seed ${SEED}`, [
    ...turnRows(played),
    ...[...firsts].flatMap(([sheet, { begun, opened }]) => [
      { what: `${sheet}: first advice from the call, slowed`, figure: begun, unit: 'ms', most: 3000 },
      { what: `${sheet}: the same from nothing, slowed`, figure: opened, unit: 'ms', most: 3000 },
    ]),
    { what: 'spread of the calibration loop', figure: 100 * spread, unit: '%' },
    { what: 'calls played to their end', figure: played.filter((p) => p.ended).length, unit: '', of: played.length },
  ])
  if (spread > BUSY_FROM) console.log('  machine busy: the times of this run say little')
  const said = new Set(
    played.flatMap((p) => [
      ...p.axe.map((a) => `${p.size} ${p.look}: axe ${a}`),
      ...p.turns.flatMap((t) => [...t.contradictions, ...t.labels].map((x) => `${p.sheet} ${p.size}: ${x}`)),
      ...p.turns.flatMap((t, i) => (t.atHand ? [] : [`${p.sheet} ${p.size}: not at hand at turn ${i + 1}`])),
      ...p.turns.flatMap((t, i) =>
        t.shift > 0.05 ? [`${p.sheet} ${p.size}: shift ${t.shift.toFixed(3)} at turn ${i + 1}`] : [],
      ),
    ]),
  )
  for (const line of [...said].slice(0, 60)) console.log(`  ${line}`)
}

async function playSheet(
  browser: Browser,
  place: Place,
  sheet: string,
  engine: Engine,
  unit: string,
): Promise<Played[]> {
  const played: Played[] = []
  for (const [s, { name: size, viewport }] of SIZES.entries())
    for (let k = 0; k < CALLS; k++) {
      const look = LOOKS[(k + s) % LOOKS.length]!
      const context = await browser.newContext({ viewport, hasTouch: size === 'phone' })
      const page = await context.newPage()
      await page.addInitScript((own) => localStorage.setItem('duckweed:look', own), look)
      await watchPage(page)
      const call = drawCall(engine.catalogue, 'single', random(SEED * 1000 + k * 10 + s))
      try {
        await signIn(page, place)
        played.push(await playCall(page, place, unit, engine, call, { sheet, size, look }))
        const { turns, ended } = played.at(-1)!
        console.log(
          `${sheet} ${size} ${look}: ${turns.length} turns${ended ? '' : ', not ended'}, seed ${SEED * 1000 + k * 10 + s}`,
        )
      } catch (error) {
        console.log(
          `${sheet} ${size} ${look}: BROKEN OFF ${error instanceof Error ? error.message.split('\n').slice(0, 4).join(' ') : String(error)}`,
        )
      }
      await context.close()
    }
  return played
}

await ensureBuild(join(import.meta.dirname, '..'))
const browser = await chromium.launch(config.use!.launchOptions!)
const place = await openPlace('visit', { bare: true })
const units = (await place.sql(
  'SELECT DISTINCT ON (sheet) sheet, title FROM units WHERE organisation_id = (SELECT organisation_id FROM users WHERE email = $1) ORDER BY sheet, title',
  [MARA.email],
)) as {
  sheet: string
  title: string
}[]
const played: Played[] = []
const calibrations: number[] = [calibrate()]
const firsts = new Map<string, FirstAdvice>()
for (const { sheet, title } of units) {
  if (ONLY.length && !ONLY.includes(sheet)) continue
  const { text, file } = findShipped(sheet)!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const first = await firstAdvice(browser, place, title, engine.machine.sheet.complaints[0]!.words)
  firsts.set(sheet, first)
  calibrations.push(calibrate())
  console.log(
    `${sheet}: first advice ${Math.round(first.begun)} ms from the call, ${Math.round(first.opened)} from nothing`,
  )
  played.push(...(await playSheet(browser, place, sheet, engine, title)))
}
report(played, firsts, calibrations)
await browser.close()
await place.close()
process.exit(0)
