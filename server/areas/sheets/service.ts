import { LRUCache } from 'lru-cache'
import type { Transaction } from 'sequelize'
import { FACTS_VERSION, type SheetFacts } from '../../../core/job'
import { SHEET_LANGUAGE } from '../../../core/model/sheet'
import type { SheetFile } from '../../database/models'
import { apiError, notFound } from '../../platform/errors'
import { gatherFiles, hashRevision, type FindSheet } from './gather'
import {
  currentRevisions,
  findFacts,
  findPredictions,
  findRevision,
  insertRevision,
  knownHashes,
  outdatedRevisions,
  replacePredictions,
  updateFacts,
  withoutPredictions,
} from './repository'

export { hashRevision }

/** Revisions whose facts are held in memory. */
const HELD = 100
const held = new LRUCache<string, SheetFacts>({ max: HELD })

/** What a revision of a sheet says to guard and lists. */
export async function factsOfRevision(hash: string, transaction?: Transaction): Promise<SheetFacts> {
  let facts = held.get(hash)
  if (!facts) {
    facts = await findFacts(hash, transaction)
    if (!facts) throw apiError(503, 'sheet-not-ready')
    held.set(hash, facts)
  }
  return facts
}

/** The revision that a job on this sheet begins with now. */
export async function currentRevision(sheet: string, transaction?: Transaction): Promise<string | undefined> {
  const [current] = await currentRevisions(sheet, transaction)
  if (current) held.set(current.hash, current.facts)
  return current?.hash
}

export const isKnownRevision = async (hash: string): Promise<boolean> => (await knownHashes([hash])).has(hash)

/** The newest revision of every sheet, with its facts. */
export const currentSheets = () => currentRevisions()

export async function listSheets() {
  return (await currentRevisions())
    .map(({ sheet, title, hash, number }) => ({ id: sheet, title, revision: hash, number }))
    .sort((a, b) => a.title.localeCompare(b.title))
}

export async function readRevision(hash: string) {
  const row = await findRevision(hash)
  if (!row) throw notFound('state of a sheet')
  return { revision: row.hash, sheet: row.sheet, number: row.number, files: row.files }
}

/** What a device needs of a revision for its first advice, as this state of the engine computes it. */
export async function readPredictions(hash: string, engine: string): Promise<Uint8Array<ArrayBuffer>> {
  const bytes = await findPredictions(hash, engine)
  // A device does without: it runs the machine itself.
  if (!bytes) throw notFound('predictions of a sheet')
  return new Uint8Array(bytes)
}

/**
 * Makes the predictions of every revision that has none of this state of the engine, one after another. A revision that it cannot
 * read goes without.
 *
 * @param engine names the state of the engine
 * @returns how many were made
 */
export async function providePredictions(
  engine: string,
  predict: (hash: string, files: SheetFile[]) => Promise<Uint8Array>,
  report: (message: string) => void,
): Promise<number> {
  let made = 0
  for (const { hash, files } of await withoutPredictions(engine)) {
    try {
      await replacePredictions(hash, engine, Buffer.from(await predict(hash, files)))
      made++
    } catch (error) {
      report(`predictions of ${hash}: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  return made
}

/**
 * Keeps the shipped sheets as they are now: those whose revision is not there yet are compiled and kept. An older
 * revision stays.
 *
 * @returns how many were new
 */
export async function publishLibrary(
  ids: readonly string[],
  find: FindSheet,
  compile: (files: SheetFile[]) => Promise<SheetFacts> | SheetFacts,
): Promise<number> {
  const gathered = await Promise.all(ids.map((id) => gatherFiles(id, find)))
  const revisions = gathered.map((files) => ({ files, sheet: files[0]!.id, hash: hashRevision(files) }))
  const there = await knownHashes(revisions.map((r) => r.hash))
  const fresh = revisions.filter((r) => !there.has(r.hash))
  // All are compiled before any is kept: a compiler that keeps the process busy leaves no connection waiting.
  const compiled = await Promise.all(fresh.map(async (own) => ({ ...own, facts: await compile(own.files) })))
  for (const { hash, sheet, files, facts } of compiled)
    await insertRevision({ hash, sheet, language: SHEET_LANGUAGE, title: facts.title, files, facts })
  return fresh.length
}

/**
 * Makes the facts of older revisions anew where a newer program finds other tests and names in the same sheet: what it offers at a
 * job that was begun with one of them, its guard must know. A revision that it cannot read keeps the facts it has.
 *
 * @returns how many were made anew
 */
export async function refreshFacts(
  compile: (files: SheetFile[]) => Promise<SheetFacts> | SheetFacts,
  report: (message: string) => void,
): Promise<number> {
  let made = 0
  for (const { hash, files } of await outdatedRevisions(FACTS_VERSION)) {
    try {
      await updateFacts(hash, await compile(files))
      held.delete(hash)
      made++
    } catch (error) {
      report(`revision ${hash}: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  return made
}
