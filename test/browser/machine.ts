import { expect, type Page } from '@playwright/test'
import { DrawnMachine, random } from '../../core/truth'
import { findShipped } from '../../cli/library'
import { createEngine, type Engine } from '../../core/advice'
import { dimensionOf, type Procedure } from '../../core/diagnosis/catalogue'
import { formatReading } from '../../core/words'
import { orThrow } from '../../core/foundation/result'
import { severityAt } from '../../core/model/machine'
import { readSheet } from '../../core/model/sheet'
import {
  begin,
  enter,
  makeSafe,
  settled,
  expectAtHand,
  type Place,
  readings,
  atCause,
  cause,
  testCard,
  answer,
} from './place'

const MOST_TESTS = 24

/** A machine that really stands there with these faults, each at the middle of its severities, and what is complained of. */
export function brokenMachine(sheet: string, ...faults: string[]) {
  const { text, file } = findShipped(sheet)!
  const engine = createEngine(orThrow(readSheet(text, file, findShipped)))
  const { machine, catalogue } = engine
  const own = faults.map((id) => machine.faults.find((f) => f.id === id)!)
  const activeFaults = own.map((fault) => {
    const { severity: range } = fault
    return { fault, severity: range && severityAt(range, 0.5) }
  })
  const truth = new DrawnMachine(catalogue, activeFaults, random(5), undefined, 0)
  const [complaint] = truth.complaints()
  const { words: says } = machine.sheet.complaints.find((c) => c.id === complaint)!
  return { engine, truth, says, repairs: own.map((f) => machine.sheet.repairs[f.repair]) }
}

/** The test on the card. One of the same name at another moment is told by how it is taken. */
export async function procedureOn(page: Page, engine: Engine): Promise<Procedure> {
  const [title, how] = await Promise.all([
    testCard(page).getAttribute('aria-label'),
    testCard(page).getByLabel('How to take it').innerText(),
  ])
  const named = engine.catalogue.procedures.filter((p) => `Test: ${engine.titleOf(p)}` === title)
  const procedure = named.find((p) => engine.howTo(p) === how) ?? named[0]
  if (!procedure) throw new Error(`no test is called ${title}`)
  return procedure
}

/**
 * Takes the test on the card at the machine that really stands there, and writes down what it shows.
 *
 * @returns where on the screen the answer was tapped
 */
export async function takeNext(
  page: Page,
  engine: Engine,
  truth: DrawnMachine,
): Promise<{ x: number; y: number } | undefined> {
  const procedure = await procedureOn(page, engine)
  await makeSafe(page)
  const value = truth.read(procedure)
  if (procedure.shape.type !== 'yes-no') {
    await enter(page, formatReading(value, dimensionOf(procedure)))
    return undefined
  }
  const box = await answer(page, value.type).boundingBox()
  await answer(page, value.type).click()
  return box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : undefined
}

/** Opens a call to a machine that is searched for, and waits for the settled advice. */
export async function callTo(page: Page, place: Place, asked: string, machine: RegExp, says: string): Promise<void> {
  await page.goto(`${place.url}/jobs/new`)
  await page.getByLabel('Find a machine').fill(asked)
  await page.getByRole('button', { name: machine }).click()
  await page.getByRole('button', { name: says, exact: true }).click()
  await begin(page)
  await settled(page)
}

/** What happens on the way to the cause: before each test, by how many have been taken. @returns who takes it */
type Turn = (page: Page, taken: number) => Promise<Page>

/** Follows the advice at the machine until the tests end. */
export async function testToTheEnd(
  page: Page,
  { engine, truth }: { engine: Engine; truth: DrawnMachine },
  turn: Turn = (own) => Promise.resolve(own),
): Promise<void> {
  let taken = 0
  while (taken < MOST_TESTS && !(await atCause(page))) {
    await expectAtHand(page)
    const before = await readings(page).count()
    await takeNext(await turn(page, taken++), engine, truth)
    await expect(readings(page)).toHaveCount(before + 1)
    await settled(page)
  }
  await expect(cause(page)).toBeVisible()
}
