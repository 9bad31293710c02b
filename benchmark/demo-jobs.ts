/**
 * Writes the jobs of the demo world: calls on its machines, each with a hidden fault, opened and carried on by the
 * advice at a machine that really stands there. The start only loads what this wrote.
 *
 *     npm run demo-jobs
 */
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { carryOut, type Hands } from './carry-out'
import type { TestCatalogue } from '../core/diagnosis/catalogue'
import { LIVE_ACTS } from '../core/job'
import { mayBeBridged } from '../core/model/kinds'
import { brokenBy, PlayedJob, type MadeUpCall, type SeededJob } from './demo-play'

const MARA = '01900000-0000-7000-8000-000000000011'
const JOSS = '01900000-0000-7000-8000-000000000012'
const IVO = '01900000-0000-7000-8000-000000000021'
const unit = (n: number) => `01900000-0000-7000-8000-000000000${n}`

interface Story extends MadeUpCall {
  /** Most readings taken. */
  readings: number
  ends: 'open' | 'closed' | 'in-vain' | 'bypass' | 'reopened'
  note?: string
}

const STORIES: Story[] = [
  {
    unit: 101,
    sheet: 'orrisk-tl40',
    fault: 'cold-screen.blocked',
    person: MARA,
    hoursAgo: 190,
    words: 'Fills for ages since the street was dug up.',
    readings: 20,
    ends: 'closed',
    note: 'Grit in the screen. Told them to flush the line first next time.',
  },
  {
    unit: 102,
    sheet: 'orrisk-tl40',
    fault: 'lid.stuck-open',
    person: JOSS,
    hoursAgo: 166,
    words: 'Dead since a basket was dropped on the lid.',
    readings: 20,
    ends: 'closed',
  },
  {
    unit: 112,
    sheet: 'tarvost-fl7',
    fault: 'drain-pump.jammed',
    person: JOSS,
    hoursAgo: 142,
    words: 'Water stands in it after every wash.',
    readings: 20,
    ends: 'closed',
    note: 'Two coins and a hairpin out of the pump.',
  },
  {
    unit: 120,
    sheet: 'brindlow-s12',
    fault: 'boiler-low.scaled',
    person: MARA,
    hoursAgo: 118,
    words: 'Full to the glass and no steam for the morning batch.',
    readings: 20,
    ends: 'closed',
    note: 'Probe brushed. Water is hard: descale every two months.',
  },
  {
    unit: 116,
    sheet: 'quenby-c40',
    fault: 'water-valve.coil-open',
    person: MARA,
    hoursAgo: 95,
    words: 'No ice since Sunday.',
    readings: 20,
    ends: 'in-vain',
  },
  {
    unit: 122,
    sheet: 'ulldale-g6',
    fault: 'common-b.broken',
    person: JOSS,
    hoursAgo: 71,
    words: 'Half the garden stays dry. A fence post was set last week.',
    readings: 3,
    ends: 'open',
    note: 'Waiting for the plan of the cable run.',
  },
  {
    unit: 114,
    sheet: 'brindlow-d6',
    fault: 'heater.open',
    person: MARA,
    hoursAgo: 49,
    words: 'Plates come out cold and wet.',
    readings: 2,
    ends: 'open',
  },
  {
    unit: 118,
    sheet: 'ulldale-f9',
    fault: 'spout.stuck-open',
    person: JOSS,
    hoursAgo: 47,
    words: 'Beeps twice and stops, then goes again.',
    readings: 3,
    ends: 'open',
  },
  {
    unit: 101,
    sheet: 'orrisk-tl40',
    fault: 'lid.stuck-open',
    person: MARA,
    hoursAgo: 26,
    words: 'Nothing happens after Start.',
    readings: 2,
    ends: 'bypass',
  },
  {
    unit: 115,
    sheet: 'brindlow-d3',
    fault: 'fill-valve.coil-open',
    person: JOSS,
    hoursAgo: 22,
    words: 'Hums for a minute and gives up.',
    readings: 20,
    ends: 'reopened',
    note: 'They rang again: same code on Saturday.',
  },
  {
    unit: 113,
    sheet: 'tarvost-fl5',
    fault: 'door-lock.contact-burnt',
    person: MARA,
    hoursAgo: 6,
    words: 'Stops somewhere in the middle, not always.',
    readings: 1,
    ends: 'open',
  },
  {
    unit: 103,
    sheet: 'top-load-washer',
    fault: 'cold-valve.coil-open',
    person: JOSS,
    hoursAgo: 2,
    words: 'Only warm water ever. No plate on the machine.',
    readings: 0,
    ends: 'open',
  },
  {
    unit: 201,
    sheet: 'orrisk-tl40',
    fault: 'cold-valve.coil-open',
    person: IVO,
    hoursAgo: 30,
    words: 'Tenant says it fills hot only.',
    readings: 2,
    ends: 'open',
  },
]

let made = 0
const nextId = () => `01940000-0000-7000-8000-${String(++made).padStart(12, '0')}`

/** A jumper is put in, and stays. */
function bridgeOne({ machine }: TestCatalogue, { put, makeSafe }: Hands): void {
  const part = machine.parts.find((p) => mayBeBridged(machine.kinds[p.index], p.choice))
  makeSafe(LIVE_ACTS)
  if (part) put({ type: 'action', action: { verb: 'jumper', target: part.id } })
}

function play(story: Story): SeededJob {
  const { engine, catalogue, truth, fault, complaint } = brokenBy(story.sheet, story.fault, story.hoursAgo)
  const { person, hoursAgo } = story
  const job = new PlayedJob({ engine, truth, complaint, person, minutesAgo: hoursAgo * 60, nextId })
  const { put, makeSafe } = job
  put({ type: 'opened', unit: unit(story.unit), complaints: [complaint], words: story.words })
  job.readOn(story.readings)
  if (story.ends === 'bypass') bridgeOne(catalogue, job)
  if (story.ends === 'in-vain') {
    const { repairs } = catalogue.machine.sheet
    job.inVain(repairs.find((r, i) => i !== fault.repair && r.id !== job.remedy().id)!.id)
    job.readOn(3)
  }
  if (story.note && story.ends !== 'reopened') put({ type: 'note', text: story.note })
  if (story.ends === 'closed' || story.ends === 'reopened') {
    const { id: repair, title } = job.remedy()
    carryOut(engine, truth, job.evidence, repair, { put, makeSafe })
    put({ type: 'closed', repair, text: title }, 240)
  }
  if (story.ends === 'reopened') {
    put({ type: 'reopened' })
    put({ type: 'note', text: story.note! })
  }
  return job.seeded
}

const file = join(import.meta.dirname, '..', 'server', 'database', 'seeds', 'demo-jobs.json')
const jobs = STORIES.map(play)
writeFileSync(file, `${JSON.stringify(jobs, null, 1)}\n`)
process.stdout.write(`${jobs.length} jobs, ${jobs.reduce((n, j) => n + j.events.length, 0)} events\n`)
