import type { Outlook } from '../../../core/advice'
import { beginOfDay, dayAfter, localOf } from '../../../core/schedule'
import type { Person } from '../../../shared/contracts/session'
import { now } from '../../platform/clock'
import { apiError } from '../../platform/errors'
import { allEvents } from '../jobs/service'
import type { OutlookOrder } from '../schedule/service'
import { currentRevision, currentSheets, factsOfRevision, readRevision } from '../sheets/service'
import { unitOf } from '../units/service'
import * as rows from './repository'

const YEAR = 365
/** The same repair within so many days is a repeated one. */
const REPEATED_WITHIN = 730
const MOST_READINGS = 2000
const MOST_SETTINGS = 200
const MOST_PHOTOS = 60

/** The first moment of a day; one that no calendar has is said. */
function beginOf(day: string, timeZone: string): Date {
  const at = beginOfDay(day, timeZone)
  if (typeof at === 'string') throw apiError(422, at, day)
  return new Date(at)
}

/** What the closed jobs of a period came to. */
export async function shopFigures(
  { organisation, timeZone }: Person,
  asked: { from?: string | undefined; until?: string | undefined },
) {
  const today = localOf(now().getTime(), timeZone).day
  const until = asked.until ?? today
  const from = asked.from ?? dayAfter(until, -YEAR)
  // The last day counts whole.
  const period = {
    organisation,
    timeZone,
    from: beginOf(from, timeZone),
    until: beginOf(dayAfter(until, 1), timeZone),
  }
  const [months, causes, against, sheets] = await Promise.all([
    rows.monthsOf(period),
    rows.causesOf(period),
    rows.againstExpected(period),
    currentSheets(),
  ])
  const facts = new Map(sheets.map((s) => [s.sheet, s.facts]))
  return {
    from,
    until,
    months: months.map((m) => ({
      month: m.month,
      jobs: m.jobs,
      firstVisit: m.first_visit,
      callBacks: m.call_backs,
      inVain: m.in_vain,
      minutes: m.minutes,
      expected: m.expected,
    })),
    causes: causes.map(({ sheet, repair, jobs, call_backs: callBacks }) => {
      const own = facts.get(sheet)
      return {
        family: own?.family?.id ?? sheet,
        familyTitle: own?.family?.title ?? own?.title ?? sheet,
        sheet,
        sheetTitle: own?.title ?? sheet,
        repair,
        title: repair === '' ? 'no repair' : (own?.repairs.find((r) => r.id === repair)?.title ?? repair),
        jobs,
        callBacks,
      }
    }),
    against: against.q ? { jobs: against.jobs, low: against.q[0]!, middle: against.q[1]!, high: against.q[2]! } : null,
  }
}

/**
 * Reckons what the engine would have expected of a closed job when it came, from its first entry alone.
 *
 * @param reckon runs in a worker thread
 */
export async function reckonExpected(job: string, reckon: (order: OutlookOrder) => Promise<Outlook>): Promise<void> {
  const own = await rows.withoutExpected(job)
  if (!own) return
  const revision = own.revision ?? (await currentRevision(own.sheet))
  if (revision === undefined) throw new Error('Its sheet is not ready.')
  const [events, { files }] = await Promise.all([allEvents(job, 1), readRevision(revision)])
  const { diagnosis } = await reckon({ revision, files, events })
  await rows.writeExpected(job, diagnosis)
}

/** Notes what was expected of a closed job when it came, min. */
export const keepExpected = (job: string, minutes: number) => rows.writeExpected(job, minutes)

/** What a machine's own past says. */
export async function unitHistory(who: Person, id: string) {
  const { revision } = await unitOf(who, id)
  const [repeated, readings, settings, photos, facts] = await Promise.all([
    rows.repeatedRepairs(who.organisation, id, REPEATED_WITHIN),
    rows.readingsOfUnit(who.organisation, id, MOST_READINGS),
    rows.settingsOfUnit(who.organisation, id, MOST_SETTINGS),
    rows.photosOfUnit(who.organisation, id, MOST_PHOTOS),
    revision ? factsOfRevision(revision) : undefined,
  ])
  return {
    repeated: repeated.map((r) => ({ ...r, last: r.last.toISOString() })),
    readings: readings.flatMap(({ at, ...r }) => {
      const shape = facts?.tests[r.test]?.shape
      return shape?.type === 'number' ? [{ ...r, at: at.toISOString(), dimension: shape.dimension }] : []
    }),
    settings: settings.flatMap(({ at, ...s }) => {
      const title = facts?.settings?.find((f) => f.id === s.setting)?.title
      return title === undefined ? [] : [{ ...s, title, at: at.toISOString() }]
    }),
    photos: photos.map(({ at, ...p }) => ({ ...p, at: at.toISOString() })),
  }
}
