import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { LRUCache } from 'lru-cache'
import { createEngine, outlookOf, readEach, type Engine, type Outlook } from '../../core/advice'
import { readCompiled } from '../../core/diagnosis/predict'
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
    const built = join(import.meta.dirname, 'predictions', `${revision}.json.gz`)
    // What the build has computed of a sheet need not be run again; a machine with other options is another one.
    const compiled =
      !fitted.length && existsSync(built) ? readCompiled(gunzipSync(readFileSync(built)).toString()) : undefined
    if (compiled) engine.predictor.provide(compiled)
  }
  const evidence = readEach(engine, writtenOf(job)).map((r) => r.evidence)
  return outlookOf(engine, evidence)
}
