/**
 * `npm run bench:reports`: whether ten reports that are made at once slow what everybody else asks. Five rounds, idle and with ten full
 * reports in the queue in turn; a fixed loop before each says whether the machine was busy, and a bare query what the database alone took.
 *
 *     node scripts/bundled.mjs benchmark/reports.ts
 */
import { interval, printLoad, serveWith } from './served'
import { printRows } from './table'
import { quantile } from './time-jobs'
import { calibrate, timed } from './timing'

const ROUNDS = 5
const AT_ONCE = 10
/** Requests of a round when nothing else goes on, and the pause between two, ms: a busy shop, not a flood. */
const ASKED = 200
const PAUSE = 15

const { owner, ask, stop } = await serveWith('bench-reports', 'jobs')
const rest = (ms: number) => new Promise((go) => setTimeout(go, ms))

const { jobs } = (await ask('/api/jobs')) as { jobs: { id: string }[] }

/** What a shop asks all day: a list, a search in it, a job. */
const asked = (i: number) => [`/api/jobs`, `/api/jobs?q=hostel`, `/api/jobs/${jobs[i % jobs.length]!.id}`][i % 3]!

/** Times of requests one after another, as long as `goesOn` says, ms. */
async function load(goesOn: (i: number) => boolean): Promise<number[]> {
  const times: number[] = []
  for (let i = 0; goesOn(i); i++) {
    times.push(await timed(() => ask(asked(i))))
    await rest(PAUSE)
  }
  return times
}
const waiting = async () =>
  (await owner.query(`SELECT count(*)::int AS n FROM reports WHERE state IN ('waiting', 'making')`)).rows[0].n as number

/** Ten reports of ten jobs, all asked for at once. @returns times of other requests meanwhile, ms, and how long the ten took, s */
async function whileReporting(): Promise<{ times: number[]; took: number }> {
  await owner.query('DELETE FROM reports')
  const start = performance.now()
  await Promise.all(
    jobs.slice(0, AT_ONCE).map((j) => ask(`/api/jobs/${j.id}/reports`, { form: 'full', reader: 'customer' })),
  )
  let left = AT_ONCE
  const watch = (async () => {
    while ((left = await waiting()) > 0) await rest(100)
  })()
  const times = await load(() => left > 0)
  await watch
  return { times, took: (performance.now() - start) / 1000 }
}

const rounds: { calibration: number; idle: number; busy: number; bare: number; took: number; asked: number }[] = []
try {
  await load((i) => i < 50)
  await whileReporting()
  for (let r = 0; r < ROUNDS; r++) {
    const calibration = calibrate()
    const bare: number[] = []
    for (let k = 0; k < 50; k++) bare.push(await timed(() => owner.query('SELECT id, standing FROM jobs LIMIT 51')))
    const idle = await load((i) => i < ASKED)
    const { times, took } = await whileReporting()
    const p95 = (list: readonly number[]) => quantile(list, 0.95)
    rounds.push({ calibration, idle: p95(idle), busy: p95(times), bare: p95(bare), took, asked: times.length })
  }
  const failed = (await owner.query(`SELECT count(*)::int AS n FROM reports WHERE state <> 'made'`)).rows[0].n as number
  const of = (name: keyof (typeof rounds)[number]) => rounds.map((x) => x[name])
  const ratios = rounds.map((x) => x.busy / x.idle)
  printRows(`Ten reports at once, ${jobs.length} jobs to choose from`, [
    {
      what: 'p95 of other requests, over idle',
      figure: quantile(ratios, 0.5),
      unit: '×',
      most: 1.5,
      of: ROUNDS,
      interval: interval(ratios),
    },
    { what: 'p95 idle', figure: quantile(of('idle'), 0.5), unit: 'ms', interval: interval(of('idle')) },
    { what: 'p95 while ten are made', figure: quantile(of('busy'), 0.5), unit: 'ms', interval: interval(of('busy')) },
    { what: 'p95 of a bare query', figure: quantile(of('bare'), 0.5), unit: 'ms', interval: interval(of('bare')) },
    { what: 'ten reports took', figure: quantile(of('took'), 0.5), unit: 's', interval: interval(of('took')) },
    { what: 'reports that were not made', figure: failed, unit: '', most: 0 },
  ])
  printLoad(of('calibration'))
} finally {
  await stop()
}
