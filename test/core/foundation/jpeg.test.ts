import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cleanJpeg } from '../../../core/foundation/jpeg'
import { application, comment, exif, PICTURE, withMore } from '../../fixtures/jpeg'

const bytesOf = (jpeg: Uint8Array) => {
  const clean = cleanJpeg(jpeg)
  if (typeof clean === 'string') throw new Error(clean)
  return Buffer.from(clean.bytes)
}
const bare = bytesOf(PICTURE)
const body = fc.uint8Array({ maxLength: 200 }).map((b) => Buffer.from(b))

describe('a photo without what the camera wrote', () => {
  it('keeps the size and what is drawn', () => {
    expect(cleanJpeg(PICTURE)).toMatchObject({ width: 24, height: 16 })
    // Tables, frame and scan stand in it unchanged, up to its end.
    const scan = PICTURE.subarray(PICTURE.indexOf(Buffer.from([0xff, 0xda])))
    expect(bare.subarray(-scan.length).equals(scan)).toBe(true)
    expect(bytesOf(bare).equals(bare)).toBe(true)
  })
  it('whatever is laid into it or behind it, nothing of that is left', () => {
    const segments = fc.array(
      fc.oneof(
        fc.tuple(fc.integer({ min: 0, max: 15 }), body).map(([n, b]) => application(n, b)),
        fc.constant(exif(6)),
        fc.string().map(comment),
      ),
      { maxLength: 5 },
    )
    fc.assert(
      fc.property(segments, body, (more, behind) => {
        // A segment of Adobe's length is kept: it says how colours are written.
        fc.pre(!more.some((s) => s[1] === 0xee && s.length === 16))
        expect(bytesOf(withMore(PICTURE, more, behind)).equals(bare)).toBe(true)
      }),
    )
    expect(bytesOf(withMore(PICTURE, [exif(6)])).includes('PLACE')).toBe(false)
  })
  it('cut anywhere it is no picture, and a cut behind its head is said to be one', () => {
    const head = PICTURE.indexOf(Buffer.from([0xff, 0xda]))
    for (let n = 0; n < PICTURE.length; n++) {
      const cut = cleanJpeg(PICTURE.subarray(0, n))
      expect(typeof cut, `${n} bytes`).toBe('string')
      if (n > head) expect(cut).toBe('truncated')
    }
  })
  it('anything else ends with a word, never with an error', () => {
    fc.assert(fc.property(body, (b) => void cleanJpeg(b)))
    fc.assert(
      fc.property(fc.nat(PICTURE.length - 1), fc.nat(255), (at, value) => {
        const bent = Buffer.from(PICTURE)
        bent[at] = value
        cleanJpeg(bent)
      }),
      { numRuns: 2000 },
    )
    expect(cleanJpeg(Buffer.from('GIF89a'))).toBe('not-a-jpeg')
  })
})
