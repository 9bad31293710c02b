import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { QueryTypes } from 'sequelize'
import { readPhoto, writePhoto } from '../../../server/areas/photos/service'
import { comment, exif, PICTURE, withMore } from '../../fixtures/jpeg'
import { codes, entry, open, withHouse } from '../house'

const house = withHouse('photos')
const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex')
const named = (photo: string) => entry({ type: 'photo', photo, width: 24, height: 16, about: 'wiring' })
const rows = async () =>
  (await house.db.query<{ n: number }>('SELECT count(*)::int AS n FROM photos', { type: QueryTypes.SELECT }))[0]!.n

describe('photos of jobs', () => {
  it('one is kept once by what is sent, without what the camera wrote, and the event that names it comes after it', async () => {
    const { mara } = house.people
    const job = await open(mara)
    const sent = withMore(PICTURE, [exif(6), comment('PLACE 54.1N')], Buffer.from('PLACE'))
    const hash = hashOf(sent)
    expect(await codes(mara, job, named(hash))).toEqual(['photo-missing'])
    expect(await writePhoto(mara, hash, sent)).toEqual({ hash, width: 24, height: 16 })
    const kept = Buffer.from(await readPhoto(mara, hash))
    expect(kept.includes('PLACE')).toBe(false)
    expect(kept.subarray(-200).equals(PICTURE.subarray(-200))).toBe(true)
    const before = await rows()
    await Promise.all([1, 2, 3].map(() => writePhoto(mara, hash, sent)))
    expect(await rows()).toBe(before)
    expect(Buffer.from(await readPhoto(mara, hash)).equals(kept)).toBe(true)
    const event = named(hash)
    expect(await codes(mara, job, event)).toEqual(['accepted'])
    expect(await codes(mara, job, event)).toEqual(['duplicate'])
  })
  it('what is no whole photo, or not what the address names, is not kept and says why', async () => {
    const { mara } = house.people
    const before = await rows()
    const why = (bytes: Uint8Array, hash = hashOf(bytes)) =>
      writePhoto(mara, hash, bytes).catch((e: { data: { code: string } }) => e.data.code)
    expect(await why(PICTURE, 'ab'.repeat(32))).toBe('other-photo')
    expect(await why(PICTURE.subarray(0, -20))).toBe('photo-cut-short')
    expect(await why(Buffer.from('a text'))).toBe('not-a-photo')
    expect(await why(new Uint8Array())).toBe('not-a-photo')
    expect(await rows()).toBe(before)
  })
  it('another organisation neither sees it nor may name it', async () => {
    const { mara, ivo } = house.people
    const sent = withMore(PICTURE, [comment('of Mara')])
    await writePhoto(mara, hashOf(sent), sent)
    await expect(readPhoto(ivo, hashOf(sent))).rejects.toMatchObject({ statusCode: 404 })
  })
})
