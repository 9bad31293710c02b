import { describe, expect, it } from 'vitest'
import { readJob } from '../../../server/areas/jobs/service'
import { gatherFiles, hashRevision } from '../../../server/areas/sheets/gather'
import {
  currentRevision,
  listSheets,
  providePredictions,
  publishLibrary,
  readPredictions,
  readRevision,
} from '../../../server/areas/sheets/service'
import compileSheet from '../../../server/engine/compile-sheet'
import { codes, entry, findSheet, open, SHEET, withHouse } from '../house'

const house = withHouse('sheets')

describe('revisions of a sheet', () => {
  it('a change of the sheet or of anything it extends is another revision; the same text is the same', async () => {
    const files = await gatherFiles(SHEET, findSheet)
    expect(files[0]!.id).toBe(SHEET)
    expect(files.length).toBeGreaterThan(1)
    const hash = hashRevision(files)
    expect(hash).toBe(house.revision)
    for (const i of files.keys())
      expect(hashRevision(files.map((f, k) => (k === i ? { ...f, text: `${f.text}\n# x` } : f)))).not.toBe(hash)
  })
  it('a revision saved now opens for ever: jobs keep theirs and are judged by it, new ones begin with the next', async () => {
    const { mara } = house.people
    const old = await open(mara)
    const text = (await findSheet(SHEET))!
    const changed = `${text.replace(/^complaints:$/m, 'complaints:')}\nmake-safe:\n  - { id: hat, title: put a hat on, text: Put a hat on., before: anything }\n`
    const find = (id: string) => (id === SHEET ? Promise.resolve(changed) : findSheet(id))
    expect(await publishLibrary([SHEET], find, compileSheet)).toBe(1)
    expect(await publishLibrary([SHEET], find, compileSheet)).toBe(0)
    const fresh = await currentRevision(SHEET)
    expect(fresh).not.toBe(house.revision)
    expect(await listSheets()).toMatchObject([{ id: SHEET, revision: fresh, number: 2 }])
    const next = await open(mara)
    expect((await readJob(mara, old)).revision).toBe(house.revision)
    expect((await readJob(mara, next)).revision).toBe(fresh)
    const hat = () => entry({ type: 'safety', step: 'hat' })
    expect(await codes(mara, old, hat())).toEqual(['unknown-name'])
    expect(await codes(mara, next, hat())).toEqual(['accepted'])
    const kept = await readRevision(house.revision)
    expect(kept.number).toBe(1)
    expect(hashRevision(kept.files)).toBe(house.revision)
    expect(compileSheet(kept.files).title).toContain('Orrisk')
    await expect(readRevision('0'.repeat(64))).rejects.toMatchObject({ statusCode: 404 })
  })
  it('predictions are made once for each revision and state of the engine, and those of another state go', async () => {
    const asked: string[] = []
    const predict = (hash: string, files: { id: string }[]) => {
      asked.push(files[0]!.id)
      return Promise.resolve(new TextEncoder().encode(`of ${hash}`))
    }
    const refused: string[] = []
    const made = () => providePredictions('a1', predict, (message) => refused.push(message))
    await expect(readPredictions(house.revision, 'a1')).rejects.toMatchObject({ statusCode: 404 })
    const revisions = await made()
    expect(revisions).toBe(asked.length)
    expect(new Set(asked)).toEqual(new Set([SHEET]))
    expect(new TextDecoder().decode(await readPredictions(house.revision, 'a1'))).toBe(`of ${house.revision}`)
    expect(await made()).toBe(0)
    expect(await providePredictions('b2', predict, () => undefined)).toBe(revisions)
    await expect(readPredictions(house.revision, 'a1')).rejects.toMatchObject({ statusCode: 404 })
    // A revision that cannot be run goes without, and the others have theirs.
    const fails = () => Promise.reject(new Error('no'))
    expect(await providePredictions('c3', fails, (message) => refused.push(message))).toBe(0)
    expect(refused).toHaveLength(revisions)
  })
  it('a wrong sheet is refused with its mistakes', () => {
    expect(() => compileSheet([{ id: 'x', file: 'x.yaml', text: 'title: [' }])).toThrow('x.yaml')
  })
})
