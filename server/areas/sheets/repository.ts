import { Op, QueryTypes, type Transaction } from 'sequelize'
import type { SheetFacts } from '../../../core/job'
import { SheetPredictions, SheetRevision, type SheetFile } from '../../database/models'
import { database } from '../../platform/database'

export interface CurrentRevision {
  sheet: string
  hash: string
  number: number
  title: string
  facts: SheetFacts
}

export const knownHashes = async (hashes: string[]): Promise<Set<string>> =>
  new Set((await SheetRevision.findAll({ attributes: ['hash'], where: { hash: hashes } })).map((r) => r.hash))

export const findRevision = (hash: string): Promise<SheetRevision | null> => SheetRevision.findByPk(hash)

export const findFacts = async (hash: string, transaction?: Transaction): Promise<SheetFacts | undefined> =>
  (await SheetRevision.findByPk(hash, { attributes: ['facts'], transaction }))?.facts

/** The newest revision of each sheet, or of one. */
export const currentRevisions = (sheet?: string, transaction?: Transaction): Promise<CurrentRevision[]> =>
  database().query<CurrentRevision>(
    `SELECT sheet, hash, number, title, facts FROM current_revisions ${sheet === undefined ? '' : 'WHERE sheet = $1'}`,
    { bind: sheet === undefined ? [] : [sheet], type: QueryTypes.SELECT, transaction },
  )

/** Keeps a revision with the next number of its sheet; two processes that keep the same one keep it once. */
export async function insertRevision(row: {
  hash: string
  sheet: string
  language: number
  title: string
  files: unknown
  facts: SheetFacts
}): Promise<void> {
  await database().query(
    `INSERT INTO sheet_revisions (hash, sheet, number, language, title, files, facts)
     SELECT $1, $2, COALESCE(max(number), 0) + 1, $3, $4, $5::jsonb, $6::jsonb FROM sheet_revisions WHERE sheet = $2
     ON CONFLICT DO NOTHING`,
    { bind: [row.hash, row.sheet, row.language, row.title, JSON.stringify(row.files), JSON.stringify(row.facts)] },
  )
}

/** Revisions whose facts an older program made. */
export const outdatedRevisions = (version: number): Promise<{ hash: string; files: SheetFile[] }[]> =>
  database().query(
    `SELECT hash, files FROM sheet_revisions WHERE COALESCE((facts->>'version')::int, 1) < $1 ORDER BY hash`,
    { bind: [version], type: QueryTypes.SELECT },
  )

export async function updateFacts(hash: string, facts: SheetFacts): Promise<void> {
  await SheetRevision.update({ facts }, { where: { hash } })
}

export const findPredictions = async (revision: string, engine: string): Promise<Buffer | undefined> =>
  (await SheetPredictions.findOne({ attributes: ['bytes'], where: { revision, engine } }))?.bytes

/** Revisions without predictions of this state of the engine, the newest first. */
export const withoutPredictions = (engine: string): Promise<{ hash: string; files: SheetFile[] }[]> =>
  database().query(
    `SELECT hash, files FROM sheet_revisions r
     WHERE NOT EXISTS (SELECT FROM sheet_predictions p WHERE p.revision = r.hash AND p.engine = $1)
     ORDER BY published_at DESC, hash`,
    { bind: [engine], type: QueryTypes.SELECT },
  )

/** Keeps the predictions of a revision in the place of those of other states of the engine. */
export async function replacePredictions(revision: string, engine: string, bytes: Buffer): Promise<void> {
  await SheetPredictions.bulkCreate([{ revision, engine, bytes }], { ignoreDuplicates: true })
  await SheetPredictions.destroy({ where: { revision, engine: { [Op.ne]: engine } } })
}
