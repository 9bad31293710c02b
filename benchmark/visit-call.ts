import type { Page } from '@playwright/test'
import type { Engine } from '../core/advice'
import { takeNext } from '../test/browser/machine'
import {
  axeViolations,
  leastLineContrast,
  longestTask,
  measureTurn,
  newTasks,
  newTurn,
  tabStops,
  type TurnMeasure,
} from '../test/browser/measure'
import { cause, makeSafe, readings, settled, testCard, type Place } from '../test/browser/place'
import type { Call } from './draw'

const MOST_TURNS = 16
/** A second tap comes so long after the first, ms. */
const DOUBLE_TAPS = [120, 200, 350]

/** A call as it was played, with what was measured at every turn. */
export interface Played {
  sheet: string
  size: string
  look: string
  turns: TurnMeasure[]
  extra: number
  doubled: number
  stops: number[]
  axe: string[]
  contrast: number
  /** Longest task while a reading is typed, ms; 0 where none was typed. */
  typing: number
  /** Longest task from the safety steps to the tap that answers, ms. */
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

/** Types a reading as fingers do, and takes it out again. @returns the longest task meanwhile, ms */
async function typeReading(page: Page): Promise<number> {
  const field = page.getByLabel('Reading', { exact: true })
  if (!(await field.count())) return 0
  await newTasks(page)
  await field.pressSequentially('118.6', { delay: 80 })
  const longest = await longestTask(page)
  await field.fill('')
  return longest
}

/** Plays a call from its telling to one thing to do, as a hand does that slips at every answer. */
export async function playCall(
  page: Page,
  place: Place,
  unit: string,
  engine: Engine,
  call: Call,
  name: Omit<Played, 'turns' | 'extra' | 'doubled' | 'stops' | 'axe' | 'contrast' | 'typing' | 'longest' | 'ended'>,
): Promise<Played> {
  const out: Played = {
    ...name,
    turns: [],
    extra: 0,
    doubled: 0,
    stops: [],
    axe: [],
    contrast: 21,
    typing: 0,
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
    await makeSafe(page)
    out.longest = Math.max(out.longest, await longestTask(page))
    out.typing = Math.max(out.typing, await typeReading(page))
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
