/**
 * `npm run bench:measuring`: how fast the tools answer, what a second of hearing costs, and what the picture of a run takes of each frame on
 * a page slowed four times. Five rounds, interleaved with a fixed piece of arithmetic; where that varies by more than 20 % the machine is
 * said to be busy.
 */
import { loadavg } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { chromium, type CDPSession, type Page } from '@playwright/test'
import config from '../playwright.config'
import { BeepCounter, FeatureReader, Listener, teach } from '../core/hearing'
import { runTool, TOOLS, type Tool } from '../core/measuring'
import { traceForm, TraceBuilder } from '../core/metering'
import { ensureBuild } from '../scripts/setup/build.mjs'
import { callTo } from '../test/browser/machine'
import { openPlace, signIn } from '../test/browser/place'
import { hum, noise, RATE, seconds } from '../test/core/hearing/sounds'
import { printRows } from './table'
import { calibrate } from './timing'

const ROUNDS = 5
const SLOWED = 4
/** Length of the sound that is heard in each round, s; and for how long the picture of a run is watched, s. */
const SOUND = 20
const WATCHED = 10

/** Everything filled with something that goes together or is refused: both have to be quick. */
const filled = (tool: Tool) => ({
  values: Object.fromEntries(tool.fields.map((f, i) => [f.id, Math.max(f.above ?? f.least ?? 1, 1) * (2 + i) * 0.5])),
  choices: Object.fromEntries((tool.choices ?? []).map((c) => [c.id, c.options[0]!])),
})
/** The slowest answer of all tools, ms. */
function slowestTool(): number {
  let worst = 0
  for (const tool of TOOLS) {
    const entered = filled(tool)
    const start = performance.now()
    for (let i = 0; i < 20; i++) runTool(tool, entered)
    worst = Math.max(worst, (performance.now() - start) / 20)
  }
  return worst
}

const quiet = noise(seconds(SOUND), 0.01, 1)
const sound = hum(quiet, 50, 0.01, 5, 15)
/** Time that hearing takes, as a share of the sound's length, %. */
function hearing(): number {
  const taught = teach(
    new FeatureReader('hum-50', RATE).push(quiet.subarray(0, 2 * RATE)),
    new FeatureReader('hum-50', RATE).push(sound.subarray(6 * RATE, 8 * RATE)),
  )!
  const [reader, listener, counter] = [new FeatureReader('hum-50', RATE), new Listener(taught), new BeepCounter(RATE)]
  const start = performance.now()
  for (let from = 0; from < sound.length; from += 2048) {
    const piece = sound.subarray(from, from + 2048)
    listener.push(reader.push(piece))
    counter.push(piece)
  }
  return ((performance.now() - start) / 1000 / SOUND) * 100
}

/** A trace of so many rows, and the parser alone: how many times as long the whole takes. */
const ROWS = 500_000
const traceText = Array.from(
  { length: ROWS },
  (_, i) => `${(i / 100).toFixed(2)};${(118 + (i % 90) / 10).toFixed(1)}`,
).join('\n')
const parsed = (take: (rows: string[][]) => void, delimiter: string): void => {
  // In pieces, as the page reads a file.
  const config = { delimiter, chunkSize: 4e6, chunk: ({ data }: { data: string[][] }) => take(data) }
  Papa.parse<string[]>(traceText, { ...config, complete: () => undefined })
}
function traceRatio(): number {
  const start = performance.now()
  let rows = 0
  parsed((data) => (rows += data.length), ';')
  const bare = performance.now() - start
  const form = traceForm(traceText.slice(0, 16_384))!
  const builder = new TraceBuilder(form)
  parsed((data) => void builder.push(data), form.delimiter)
  if (rows !== ROWS || builder.rows !== ROWS) throw new Error('rows were lost')
  return (performance.now() - start - bare) / bare
}

/** Script, style and layout of the page since it was first asked, s. */
async function work(session: CDPSession): Promise<number> {
  const { metrics } = await session.send('Performance.getMetrics')
  const of = (name: string) => metrics.find((m) => m.name === name)?.value ?? 0
  return of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration')
}
/** What the picture of a run takes of one frame in which it moves, ms: it moves on five times a second. */
async function perFrame(page: Page, session: CDPSession): Promise<number> {
  const before = await work(session)
  await page.waitForTimeout(WATCHED * 1000)
  return (((await work(session)) - before) / (5 * WATCHED)) * 1000
}

await ensureBuild(join(import.meta.dirname, '..'))
const place = await openPlace('measuring')
const browser = await chromium.launch(config.use!.launchOptions!)
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
await signIn(page, place)
await callTo(page, place, 'c12', /C-12 cubes/, 'It makes no ice')
await page.getByRole('navigation', { name: 'Steps of this job' }).getByRole('link', { name: 'Run' }).click()
await page.getByRole('button', { name: 'It starts now' }).click()
await page.getByRole('timer').waitFor()
const session = await page.context().newCDPSession(page)
await session.send('Performance.enable')
await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
// The windows come from the worker: what is watched begins when they stand there.
await page.getByText('Running good machines').waitFor({ state: 'detached' })

const rounds: { calibration: number; tool: number; hearing: number; frame: number; trace: number }[] = []
for (let i = 0; i < ROUNDS; i++)
  rounds.push({
    calibration: calibrate(),
    tool: slowestTool(),
    hearing: hearing(),
    trace: traceRatio(),
    frame: await perFrame(page, session),
  })
await browser.close()
await place.close()

const of = (key: keyof (typeof rounds)[number]) => rounds.map((r) => r[key]).toSorted((a, b) => a - b)
const row = (what: string, key: 'tool' | 'hearing' | 'frame' | 'trace', unit: string, most: number) => {
  const sorted = of(key)
  return {
    what,
    figure: sorted[ROUNDS >> 1]!,
    unit,
    most,
    of: ROUNDS,
    interval: { low: sorted[0]!, high: sorted.at(-1)! },
  }
}
printRows('measuring: median of the rounds, least to most', [
  row('slowest of all tools, one answer', 'tool', 'ms', 16),
  row('hearing, of the length of the sound', 'hearing', '%', 2.5),
  row(`a trace of ${ROWS} rows, against the parser alone`, 'trace', '×', 1.5),
  row(`run of 12 lanes, a frame slowed ${SLOWED} times`, 'frame', 'ms', 16),
])
const calibration = of('calibration')
const spread = calibration.at(-1)! / calibration[0]! - 1
console.log(`  calibration ${calibration.map((c) => c.toFixed(0)).join(' ')} ms, load ${loadavg()[0]!.toFixed(2)}`)
if (spread > 0.2) console.log(`  machine busy: calibration varies by ${(spread * 100).toFixed(0)} %`)
process.exit(0)
