/**
 * `npm run attack`: what strangers can do to people who work, against a server of its own on loopback. So far: many at the sign-in. Five
 * rounds, idle and under attack in turn; a fixed loop before each says whether the machine was busy.
 *
 *     node scripts/bundled.mjs benchmark/attack.ts
 */
import { interval, printLoad, serveWith } from './served'
import { printRows } from './table'
import { quantile } from './time-jobs'
import { calibrate } from './timing'

const ROUNDS = 5
const STRANGERS = 100
/** What somebody who works asks for meanwhile, and how often in a round. */
const PATHS = ['/api/jobs', '/api/today', '/api/units', '/api/people']
const ASKED = 80
const AIM = 2

const { ask, url, stop } = await serveWith('attack', 'jobs')

async function p95(): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < ASKED; i++) {
    const start = performance.now()
    await ask(PATHS[i % PATHS.length]!)
    times.push(performance.now() - start)
  }
  return quantile(times, 0.95)
}

/** Strangers who guess one after the other, each for another name, until they are told to stop. */
function guessing(): { stop: () => Promise<Record<number, number>> } {
  let over = false
  const answers: Record<number, number> = {}
  const guess = async (who: number) => {
    for (let i = 0; !over; i++) {
      const body = JSON.stringify({ email: `stranger-${who}-${i}@ebb.example`, password: `guess ${i}` })
      const answer = await fetch(`${url}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      })
      await answer.arrayBuffer()
      answers[answer.status] = (answers[answer.status] ?? 0) + 1
    }
  }
  const all = Array.from({ length: STRANGERS }, (_, who) => guess(who))
  const end = async () => {
    over = true
    await Promise.all(all)
    return answers
  }
  return { stop: end }
}

const calibrations: number[] = []
const idle: number[] = []
const attacked: number[] = []
const answers: Record<string, number> = {}
try {
  await p95()
  for (let round = 0; round < ROUNDS; round++) {
    calibrations.push(calibrate())
    idle.push(await p95())
    const strangers = guessing()
    attacked.push(await p95())
    for (const [status, n] of Object.entries(await strangers.stop())) answers[status] = (answers[status] ?? 0) + n
  }
} finally {
  await stop()
}
const middle = (list: readonly number[]) => quantile(list, 0.5)
const ratios = attacked.map((a, i) => a / idle[i]!)
printRows(`${STRANGERS} strangers at the sign-in, five rounds`, [
  {
    what: 'p95 of somebody signed in, over idle',
    figure: middle(ratios),
    unit: 'times',
    most: AIM,
    interval: interval(ratios),
  },
  { what: 'p95 idle', figure: middle(idle), unit: 'ms', interval: interval(idle) },
  { what: 'p95 under attack', figure: middle(attacked), unit: 'ms', interval: interval(attacked) },
  ...Object.entries(answers).map(([status, n]) => ({ what: `strangers told ${status}`, figure: n, unit: '' })),
])
printLoad(calibrations)
