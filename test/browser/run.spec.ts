import { expect, test, type Page } from '@playwright/test'
import { expectedRun } from '../../core/advice'
import { phaseTimes } from '../../core/truth'
import { brokenMachine, callTo } from './machine'
import { holdIn, jobOf, JOSS, openPlace, pick, readings, settled, signIn, type Place } from './place'

let place: Place
test.beforeAll(async () => {
  place = await openPlace('run')
})
test.afterAll(() => place.close())

const PROGRAM_START = 1
const marks = (page: Page) => page.getByRole('region', { name: 'What is noticed' })
const start = (page: Page) => page.getByRole('region', { name: 'Start a run' })
const says = (page: Page) => page.getByRole('region', { name: 'What this run says' })
const clock = (page: Page) => marks(page).getByRole('timer')
const secondsOf = async (page: Page) => {
  const [minutes, seconds] = (await clock(page).innerText()).split(':').map(Number)
  return 60 * minutes! + seconds!
}
/** Lets time pass until a run has gone on for so long. */
async function goTo(page: Page, seconds: number): Promise<void> {
  const now = await secondsOf(page)
  if (seconds > now) await page.clock.fastForward((seconds - now) * 1000)
  await expect.poll(() => secondsOf(page)).toBeGreaterThanOrEqual(Math.floor(seconds))
}
async function toRun(page: Page): Promise<void> {
  await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
  await expect(start(page)).toBeVisible()
}

test('a check-out run of a cube machine, step by step: a phase that is late, with why; through a reload and a lost line', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const { engine, truth, says: words } = brokenMachine('quenby-c12', 'fins.dirty')
  const { machine } = engine
  const run = expectedRun(engine.predictor, engine.advise([], 'best', 0), 0)
  const times = phaseTimes(machine, truth.run(0))
  const began = (lane: string) =>
    times[machine.phases.find((p) => `phase:${p.id}` === lane)!.index]!.from - PROGRAM_START
  /** When it really comes; NaN where this machine never comes to it. */
  const comes = (title: string) => {
    const cue = run.cues.find((c) => c.title === title)!
    if (cue.lane.startsWith('phase:')) return began(cue.lane)
    return cue.since ? began(cue.since.lane) + cue.since.at : cue.at
  }
  await page.clock.install()
  await signIn(page, place)
  await callTo(page, place, 'c12', /C-12 cubes/, words)
  await toRun(page)
  await start(page)
    .getByRole('checkbox', { name: /Step by step/ })
    .check()
  await holdIn(start(page))
  await start(page).getByRole('button', { name: 'It starts now' }).click()
  await expect(clock(page)).toBeVisible()

  const asked = marks(page).getByRole('button', { name: /Now: / })
  let steps = 0
  for (; ; steps++) {
    const title = (await asked.innerText()).replace(/^\d?\s*Now: /, '')
    const at = comes(title)
    if (Number.isNaN(at)) break
    await goTo(page, Math.ceil(at))
    await asked.click()
    await expect(asked).not.toHaveText(new RegExp(`Now: ${title}$`))
    // A page that is left and comes back goes on, without a line too.
    if (steps === 2) await page.reload()
    if (steps === 4) await page.context().setOffline(true)
    if (steps === 6) await page.context().setOffline(false)
  }
  expect(steps).toBeGreaterThan(10)
  // The freeze does not come: late, and what would keep it away.
  await expect(asked).toHaveText(/Freeze begins/)
  const late = run.cues.find((c) => c.title === 'Freeze begins')!
  await goTo(page, Math.ceil(began('phase:chill') + late.since!.late + 12))
  await expect(marks(page)).toContainText('late')
  const why = marks(page).getByRole('region', { name: 'What is late' })
  await expect(why).toContainText('Late: Freeze begins')
  await expect(why).not.toContainText('no power')
  await marks(page)
    .getByRole('button', { name: /It did not come: Freeze/ })
    .click()
  await marks(page).getByText('Something else was noticed').click()
  const stopped = machine.phases.find((p) => p.id === 'locked')!
  await goTo(page, Math.ceil(began('phase:locked')))
  await marks(page)
    .getByRole('button', { name: `It stops: ${stopped.title}` })
    .click()
  await marks(page).getByRole('button', { name: 'End the run' }).click()

  // What was marked is entered as it would be typed on the cards, and moves the same belief.
  await expect(says(page)).toContainText('Time the phase Freeze: never began')
  const pullDown = Math.round(began('phase:locked') - began('phase:chill'))
  const line = says(page).getByRole('listitem').filter({ hasText: 'Time the phase Pull down' })
  const shown = Number(/([\d.]+) s/.exec(await line.innerText())![1])
  expect(Math.abs(shown - pullDown)).toBeLessThan(4)
  await says(page).getByRole('button', { name: 'Enter all as readings' }).click()
  await expect(page.getByRole('region', { name: 'What is proven' })).toContainText('Water inlet valve', {
    ignoreCase: true,
  })
  await expect(says(page).getByRole('button', { name: /^Enter / })).toHaveCount(0)
  await page.getByRole('link', { name: 'Find' }).click()
  await settled(page)
  await expect(readings(page).first()).toBeVisible()
  expect(await readings(page).count()).toBeGreaterThan(6)
  await expect(page.getByRole('region', { name: 'Suspects' })).toContainText(/fins|condenser/i)
})

test('tips clipped on dead are read in the run, the highest and the lowest held; without them the run says so', async ({
  page,
}) => {
  const { engine, says: words } = brokenMachine('orrisk-tl40', 'cold-valve.coil-open')
  const volts = engine.titleOf(engine.catalogue.procedures.find((p) => p.id === 'cold-valve.volts')!)
  await page.clock.install()
  await signIn(page, place)
  await callTo(page, place, 'tl40', /laundry left/, words)
  await toRun(page)
  const clips = page.getByRole('region', { name: 'Live readings in this run' })
  await clips.getByText('Put tips on').click()
  await holdIn(clips)
  await pick(clips.getByRole('combobox', { name: 'Where the tips go' }), volts, { exact: true })
  await clips.getByRole('button', { name: 'Clipped on, dead' }).click()
  await expect(start(page)).toContainText('Tips sit at')
  // Hands come out before power goes back.
  await holdIn(start(page))
  await start(page).getByRole('button', { name: 'It starts now' }).click()
  await expect(clips.getByText('called now')).toBeVisible()
  const shown = clips.getByRole('textbox', { name: /^Shown/ })
  for (const typed of ['121.4', '119.8', 'x', '120.6']) {
    await shown.fill(typed)
    await clips.getByRole('button', { name: 'Hold' }).click()
    if (typed === 'x') await expect(clips.getByRole('alert')).toBeVisible()
  }
  await expect(clips).toContainText('highest 121 V, lowest 120 V')
  await marks(page).getByRole('button', { name: 'End the run' }).click()
  await clips.getByRole('button', { name: /Enter the highest/ }).click()
  await expect
    .poll(() =>
      place
        .sql("SELECT count(*) FROM job_events WHERE job_id = $1 AND payload->>'type' = 'reading'", [jobOf(page)])
        .then((r) => Number(r[0]?.count)),
    )
    .toBe(1)
  // Another run without tips: it is said, and nothing can be held.
  await clips.getByText('Put tips on').click()
  await expect(clips.getByRole('button', { name: /Tips off/ })).toHaveCount(0)
  await holdIn(clips)
  await clips.getByRole('button', { name: /Tips off/ }).click()
  await expect(start(page)).not.toContainText('Tips sit at')
  await holdIn(start(page))
  await start(page).getByRole('button', { name: 'It starts now' }).click()
  await expect(clips).toContainText('not this run. Isolate, clip on, start again')
})

test('a clock that somebody sets in the middle of a run moves nothing', async ({ page }) => {
  await page.clock.install()
  await signIn(page, place)
  await callTo(page, place, 'tl40', /laundry left/, 'No water comes in')
  await toRun(page)
  await holdIn(start(page))
  await start(page).getByRole('button', { name: 'It starts now' }).click()
  await goTo(page, 20)
  // What nobody waited for just now is marked too: on, then off, each the first of its lane.
  await marks(page).getByText('Something else was noticed').click()
  await marks(page).getByRole('button', { name: 'Drain pump: it turns', exact: true }).click()
  await expect(marks(page)).toContainText('Last: Drain pump: it turns at')
  await marks(page).getByRole('button', { name: 'Drain pump: it turns no more', exact: true }).click()
  await expect(marks(page)).toContainText('Last: Drain pump: it turns no more at')
  await expect
    .poll(() =>
      place.sql(
        "SELECT payload->>'turn' AS turn, payload->>'nth' AS nth FROM job_events WHERE job_id = $1 AND payload->>'type' = 'marked' ORDER BY seq",
        [jobOf(page)],
      ),
    )
    .toEqual([
      { turn: 'on', nth: '0' },
      { turn: 'off', nth: '0' },
    ])
  await page.clock.setSystemTime(Date.now() - 3600e3)
  await expect(marks(page).getByRole('alert')).toContainText('set back')
  expect(await secondsOf(page)).toBeLessThan(60)
})

test('a second device whose clock is an hour fast shows the same run at the same second, and marks in it', async ({
  page,
  browser,
}) => {
  await signIn(page, place)
  await callTo(page, place, 'tl40', /laundry left/, 'No water comes in')
  await toRun(page)
  await holdIn(start(page))
  await start(page).getByRole('button', { name: 'It starts now' }).click()
  await expect(clock(page)).toBeVisible()
  const other = await (await browser.newContext()).newPage()
  await other.clock.install({ time: Date.now() + 3600e3 })
  await signIn(other, place, JOSS)
  await other.goto(page.url())
  await expect(clock(other)).toBeVisible()
  await expect.poll(async () => Math.abs((await secondsOf(other)) - (await secondsOf(page)))).toBeLessThan(4)
  await marks(other)
    .getByRole('button', { name: /Now: Cold fill begins/ })
    .click()
  await expect(marks(page)).toContainText('Last: Cold fill begins')
  await other.context().close()
})
