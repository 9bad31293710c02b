/**
 * Writes the jobs of the demo world that wait for something or were left half way: a part on order and one that has come, a price that
 * nobody has answered, a lead that is off, a repair for now, a machine out of service. The start only loads what this wrote.
 *
 *     npm run demo-standing
 */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { repairActsOf, repairGuideOf } from '../core/advice'
import { DEAD_ACTS } from '../core/job'
import { carryOut, quote, settle } from './carry-out'
import { brokenBy, PlayedJob, type MadeUpCall, type SeededJob } from './demo-play'
import { photoOf, takeOff } from './demo-wiring'

const MARA = '01900000-0000-7000-8000-000000000011'
const JOSS = '01900000-0000-7000-8000-000000000012'
/** Days stand for those after the first start, from the first of 2000 on: the loader puts the real ones there. */
const dayAfter = (days: number) => new Date(Date.UTC(2000, 0, 1 + days)).toISOString().slice(0, 10)
/** What a hand drew, thousandths of the field. */
const SIGNATURE = [
  [120, 620, 180, 300, 240, 640, 300, 420, 360, 600, 430, 480, 520, 560],
  [560, 300, 600, 640, 700, 420, 760, 600, 860, 520],
]

type Broken = ReturnType<typeof brokenBy>
interface Standing extends MadeUpCall {
  /** How it goes on once the advice has come to a repair. */
  then: (job: PlayedJob, broken: Broken, repair: string) => void
}

const orders =
  (text: string, days: number, ...more: string[]): Standing['then'] =>
  (job, { engine }, repair) => {
    settle(engine, job.evidence, repair, job)
    const index = engine.machine.repairs.findIndex((r) => r.id === repair)
    const { title } = engine.machine.sheet.repairs[index]
    const { partNumber: number } = repairGuideOf(engine.machine, index)
    const part = { title, ...(number === undefined ? {} : { number }) }
    const parts = [part, ...more.map((other) => ({ title: other }))]
    job.put({ type: 'awaits', what: 'part', text, parts, until: dayAfter(days) })
  }

const partOf = ({ catalogue, fault }: Broken) => catalogue.machine.parts[fault.part].id

const STANDING: Standing[] = [
  {
    unit: 2013,
    sheet: 'quenby-c25',
    fault: 'water-valve.coil-open',
    person: JOSS,
    hoursAgo: 50,
    words: 'No ice in the breakfast room since yesterday.',
    then: orders('Water shut at its tap, plug out and tied up. Ice comes from the bar till then.', 3, 'supply hose'),
  },
  {
    unit: 2011,
    sheet: 'brindlow-d3',
    fault: 'fill-valve.coil-open',
    person: MARA,
    hoursAgo: 76,
    words: 'Cups come out as they went in.',
    then: orders('Water shut under the counter. They wash by hand till then.', 1),
  },
  {
    unit: 2020,
    sheet: 'brindlow-s8',
    fault: 'boiler-fill-valve.coil-open',
    person: MARA,
    hoursAgo: 30,
    words: 'Asks for water and gets none.',
    then: (job, { engine }, repair) => {
      quote(engine, job.evidence, repair, job)
      job.put({
        type: 'awaits',
        what: 'customer',
        text: 'Switched off, water shut. The owner rings back about the price.',
      })
    },
  },
  {
    unit: 2004,
    sheet: 'orrisk-tl60',
    fault: 'cold-valve.coil-open',
    person: JOSS,
    hoursAgo: 4,
    words: 'Hot water only, the overalls shrink.',
    then: (job, broken, repair) => {
      const { engine } = broken
      settle(engine, job.evidence, repair, job)
      job.makeSafe(
        repairActsOf(
          engine.machine,
          engine.machine.repairs.findIndex((r) => r.id === repair),
        ),
      )
      takeOff(engine, partOf(broken), job)
    },
  },
  {
    unit: 2009,
    sheet: 'brindlow-d6',
    fault: 'fill-plug.off',
    person: JOSS,
    hoursAgo: 200,
    words: 'Nothing runs in since the kitchen was moved.',
    then: (job, broken, repair) => {
      const { engine, truth } = broken
      const decided = { as: 'interim', until: dayAfter(20) } as const
      carryOut(engine, truth, job.evidence, repair, job, {
        decided,
        takeOff: () => takeOff(engine, partOf(broken), job),
      })
      job.put({ type: 'follow-up', on: dayAfter(20), why: 'Done for now; a new plug is due.' })
      const { title } = engine.machine.sheet.repairs.find((r) => r.id === repair)!
      job.put({ type: 'closed', repair, text: title })
    },
  },
  {
    unit: 2024,
    sheet: 'tarvost-e8',
    fault: 'isolator.live-burnt',
    person: MARA,
    hoursAgo: 120,
    words: 'Smells hot at the pull cord, and then nothing.',
    then: (job) => {
      const { put } = job
      job.makeSafe(DEAD_ACTS)
      const photo = photoOf('tag', 'tagged')
      put(photo)
      const warning =
        'This shower is not safe to use. It has been switched off and tagged "do not use". Do not switch it on or take the tag off before an electrician has repaired and proved it.'
      put({ type: 'left-unsafe', warning, photo: photo.photo })
      put({ type: 'signed', for: 'warning', name: 'Wenna D.', strokes: SIGNATURE })
      put({
        type: 'closed',
        repair: '',
        text: 'Out of service until an electrician has made the isolator good.',
        as: 'out-of-service',
      })
    },
  },
]

let made = 0
const nextId = () => `01941000-0000-7000-8000-${String(++made).padStart(12, '0')}`

function play({ unit, sheet, fault, person, hoursAgo, words, then }: Standing): SeededJob {
  const broken = brokenBy(sheet, fault, hoursAgo)
  const { engine, truth, complaint } = broken
  const job = new PlayedJob({ engine, truth, complaint, person, minutesAgo: hoursAgo * 60, nextId })
  const id = `01900000-0000-7000-8000-${String(unit).padStart(12, '0')}`
  job.put({ type: 'opened', unit: id, complaints: [complaint], words }, 5)
  job.readOn(20)
  const remedy = job.remedy().id
  process.stdout.write(`${sheet}: ${broken.fault.id} → ${remedy}\n`)
  then(job, broken, remedy)
  return job.seeded
}

const file = join(import.meta.dirname, '..', 'server', 'database', 'seeds', 'demo-standing.json')
const jobs = STANDING.map(play)
writeFileSync(file, `${JSON.stringify(jobs, null, 1)}\n`)
process.stdout.write(`${jobs.length} jobs, ${jobs.reduce((n, j) => n + j.events.length, 0)} events\n`)
