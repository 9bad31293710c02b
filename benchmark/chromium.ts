import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import type { Row } from './table'
import { quantile } from './time-jobs'

/** How much slower the processor is made: a phone in a cellar. */
const SLOWED = 4
const FLAGS = ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update']

/** How long the advice takes in Chromium with its processor slowed. */
export async function chromiumRows(
  id: string,
  texts: Record<string, { text: string; file: string }>,
  jobs: number,
  seed: number,
): Promise<Row[]> {
  const root = process.cwd()
  const { outputFiles } = await build({
    entryPoints: [join(root, 'benchmark/in-browser.ts')],
    bundle: true,
    format: 'iife',
    minify: true,
    write: false,
    logLevel: 'error',
  })
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: FLAGS })
  try {
    const page = await browser.newPage()
    const session = await page.context().newCDPSession(page)
    await page.addScriptTag({ content: outputFiles[0].text })
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    const times = await page.evaluate((a) => globalThis.timeSheet(a.id, a.texts, a.jobs, a.seed), {
      id,
      texts,
      jobs,
      seed,
    })
    const name = `Chromium slowed ${SLOWED} times`
    return [
      { what: `${name}: cold start to first advice`, figure: times.cold, unit: 'ms', most: 3000 },
      { what: `${name}: quick answer, p95`, figure: quantile(times.quick, 0.95), unit: 'ms' },
      { what: `${name}: settled answer, p95`, figure: quantile(times.settled, 0.95), unit: 'ms' },
      { what: `${name}: every test under every suspect`, figure: times.table, unit: 'ms' },
    ]
  } finally {
    await browser.close()
  }
}
