import { LRUCache } from 'lru-cache'
import { createEngine, outlookOf, readEach, type Engine, type Outlook } from '../../core/advice'
import { orThrow } from '../../core/foundation/result'
import { foldJob, writtenOf } from '../../core/job'
import { readSheet } from '../../core/model/sheet'
import type { OutlookOrder } from '../areas/schedule/service'

/** Machines that are held ready. */
const HELD = 3
const held = new LRUCache<string, Engine>({ max: HELD })

/** What a visit to a job's machine will probably take: the machine is run, so never in a request. */
export function outlook({ revision, files, events }: OutlookOrder): Outlook {
  const job = foldJob(events)
  const fitted = (job.options ?? []).map(({ id, fitted }) => ({ id, fitted }))
  const key = `${revision} ${JSON.stringify(fitted)}`
  let engine = held.get(key)
  if (!engine) {
    const [own] = files
    const sheet = orThrow(readSheet(own!.text, own!.file, (id) => files.find((f) => f.id === id), fitted))
    held.set(key, (engine = createEngine(sheet)))
  }
  const evidence = readEach(engine, writtenOf(job)).map((r) => r.evidence)
  // The quick answer: no pairs of faults are run to plan a day.
  return outlookOf(engine, engine.advise(evidence, undefined, 0))
}
