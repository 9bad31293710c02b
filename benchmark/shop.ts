/**
 * `npm run bench:shop`: how fast anything is found among 100,000 rows, and the figures of 100,000 closed jobs are counted. Five rounds,
 * each with a bare query of the database between; a fixed loop before each says whether the machine was busy.
 *
 *     node scripts/bundled.mjs benchmark/shop.ts
 */
import { random, pick } from '../core/truth'
import { interval, printLoad, serveWith } from './served'
import { printRows } from './table'
import { quantile } from './time-jobs'
import { calibrate, inTurn } from './timing'

const ROUNDS = 5
const JOBS = 100_000
const ASKED = 120
const REPAIRS = ['clean-screen', 'new-lid-switch', 'new-cold-valve', 'open-taps', '']

const { owner, ask, stop } = await serveWith('bench-shop', 'bare')
const next = random(5)
/** Made-up words of a trade, some said of every tenth job, most of a handful. */
const syllables = ['ba', 'lo', 'ri', 'ten', 'mu', 'sha', 'pel', 'kor', 'vi', 'dran', 'os', 'ek']
const rare = Array.from({ length: 12_000 }, () =>
  Array.from({ length: 2 + Math.floor(3 * next()) }, () => pick(next, syllables)).join(''),
)
const common = [
  'water',
  'laundry',
  'harbour',
  'hostel',
  'hums',
  'valve',
  'screen',
  'cold',
  'stops',
  'ice',
  'dock',
  'leaks',
]

/** Closed jobs of ten years, each with words of its own. */
async function fill(): Promise<void> {
  await owner.query('CREATE TEMP TABLE said (n int, words text)')
  for (let from = 0; from < JOBS; from += 5000) {
    const words = Array.from({ length: 5000 }, () =>
      [
        ...Array.from({ length: 6 }, () => pick(next, common)),
        ...Array.from({ length: 6 }, () => pick(next, rare)),
      ].join(' '),
    )
    await owner.query('INSERT INTO said SELECT $1 + n, w FROM unnest($2::text[]) WITH ORDINALITY t (w, n)', [
      from,
      words,
    ])
  }
  await owner.query(
    `INSERT INTO jobs (id, organisation_id, unit_id, opened_by, created_at, closed_at, standing, listed, touched_at, touched_by)
     SELECT ('0195' || lpad(to_hex(n), 4, '0') || '-0000-7000-8000-' || lpad(n::text, 12, '0'))::uuid, u.organisation_id, u.id, p.id,
       now() - n * interval '52 minutes', now() - n * interval '52 minutes' + interval '1 hour',
       jsonb_build_object('closed', jsonb_build_object('repair', ($1::text[])[1 + n % 5], 'text', 'Done'), 'repairs', n % 9 / 8, 'gone', '[]'::jsonb),
       jsonb_build_object('title', u.title, 'customer', 'Customer', 'place', 'Place', 'complaints', jsonb_build_array(split_part(words, ' ', 1))),
       now(), p.id
     FROM said JOIN LATERAL (SELECT * FROM units WHERE organisation_id = (SELECT organisation_id FROM users WHERE email = 'mara@ebb.example') ORDER BY id OFFSET n % 30 LIMIT 1) u ON true,
       users p WHERE p.email = 'mara@ebb.example'`,
    [REPAIRS],
  )
  await owner.query(
    `INSERT INTO job_words SELECT ('0195' || lpad(to_hex(n), 4, '0') || '-0000-7000-8000-' || lpad(n::text, 12, '0'))::uuid, words FROM said`,
  )
  await owner.query(
    'UPDATE job_results SET minutes = 5 + (random() * 60), expected = 20 + (random() * 40), visits = 1 + (random() * 1.2)::int',
  )
  await owner.query('VACUUM ANALYZE')
}

/** As people look for things: a word, two, the beginning of one, one typed wrong. */
function question(i: number): string {
  const word = pick(next, rare)
  switch (i % 6) {
    case 0:
      return pick(next, common)
    case 1:
      return `${pick(next, common)} ${pick(next, common)}`
    case 2:
      return word
    case 3:
      return `${pick(next, common)} ${word.slice(0, 4)}`
    case 4:
      return word.slice(0, 2) + word.slice(3)
    default:
      return pick(next, ['harbuor', 'laundyr', 'hostle', 'screeen', 'vavle'])
  }
}

const rounds: { calibration: number; find: number; figures: number; bareFind: number; bareCount: number }[] = []
try {
  const start = performance.now()
  await fill()
  console.log(`filled in ${((performance.now() - start) / 1000).toFixed(0)} s`)
  const find = (i: number) => ask(`/api/find?q=${encodeURIComponent(question(i))}`)
  const count = () => ask('/api/figures?from=2010-01-01')
  const told = (await count()) as { months: { jobs: number }[] }
  const counted = told.months.reduce((n, m) => n + m.jobs, 0)
  if (counted < JOBS) throw new Error(`Only ${counted} jobs are counted.`)
  await inTurn(20, find)
  for (let r = 0; r < ROUNDS; r++) {
    const calibration = calibrate()
    const bare = await inTurn(40, (i) =>
      owner.query('SELECT id, listed FROM jobs ORDER BY id DESC OFFSET $1 LIMIT 30', [i]),
    )
    const found = await inTurn(ASKED, find)
    const bareCounts = await inTurn(3, () => owner.query('SELECT count(*), avg(minutes) FROM job_results'))
    const counts = await inTurn(5, count)
    rounds.push({
      calibration,
      find: quantile(found, 0.95),
      figures: Math.max(...counts),
      bareFind: quantile(bare, 0.95),
      bareCount: quantile(bareCounts, 0.5),
    })
  }
  const of = (name: keyof (typeof rounds)[number]) => rounds.map((x) => x[name])
  const row = (what: string, name: keyof (typeof rounds)[number], most?: number) => ({
    what,
    figure: quantile(of(name), 0.5),
    unit: 'ms',
    ...(most === undefined ? {} : { most, of: ROUNDS }),
    interval: interval(of(name)),
  })
  printRows(`Among ${JOBS} jobs`, [
    row('anything found, p95', 'find', 50),
    row('a page by key, bare, p95', 'bareFind'),
    row('figures of all of them, the slowest of five', 'figures', 1000),
    row('one count over all, bare', 'bareCount'),
  ])
  printLoad(of('calibration'))
} finally {
  await stop()
}
