/** A picture, or why bytes are none that can be kept. */
export type CleanJpeg = { bytes: Uint8Array; width: number; height: number } | 'not-a-jpeg' | 'truncated'

const START = 0xd8
const END = 0xd9
const SCAN = 0xda
const ADOBE = 0xee
/** Length of the segment that says how colours are written, and nothing of who or where. */
const ADOBE_LENGTH = 14

const isFrame = (m: number) => m >= 0xc0 && m <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(m)
/** Frames and their tables (Huffman, arithmetic, quantization, restart interval). */
const isNeeded = (m: number, length: number) =>
  (m >= 0xc0 && m <= 0xcf) || [0xdb, 0xdd, SCAN].includes(m) || (m === ADOBE && length === ADOBE_LENGTH)
/** Within a scan: a stuffed zero or a restart. */
const goesOn = (next: number) => next === 0 || (next >= 0xd0 && next <= 0xd7)

/** Where the entropy-coded bytes of a scan end; the length of the whole where they never do. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let i = from; i + 1 < bytes.length; i++) if (bytes[i] === 0xff && !goesOn(bytes[i + 1])) return i
  return bytes.length
}

/**
 * A JPEG picture with what it needs to be drawn and nothing else: place, camera, comments, thumbnails and whatever is laid
 * behind the picture are left out. The picture itself is not touched (ITU-T T.81, annex B).
 *
 * @param bytes the whole file
 * @returns its bytes with width and height in pixels, or why it is none; `truncated` where the end of the picture is missing
 */
export function cleanJpeg(bytes: Uint8Array): CleanJpeg {
  if (bytes[0] !== 0xff || bytes[1] !== START) return 'not-a-jpeg'
  const kept: Uint8Array[] = [bytes.subarray(0, 2)]
  let size: { width: number; height: number } | undefined
  let scanned = false
  for (let at = 2; at < bytes.length;) {
    if (bytes[at] !== 0xff) return 'not-a-jpeg'
    const marker = bytes[at + 1]
    if (marker === 0xff) {
      at++
      continue
    }
    if (marker === END) {
      if (!size || !scanned) return 'not-a-jpeg'
      kept.push(bytes.subarray(at, at + 2))
      return { bytes: joined(kept), ...size }
    }
    const length = bytes[at + 2] * 256 + bytes[at + 3]
    // What lies beyond the end reads as not a number.
    if (!(at + 2 + length <= bytes.length)) return 'truncated'
    if (length < 2) return 'not-a-jpeg'
    const body = at + 4
    if (isFrame(marker))
      size = { height: bytes[body + 1] * 256 + bytes[body + 2], width: bytes[body + 3] * 256 + bytes[body + 4] }
    let end = at + 2 + length
    if (marker === SCAN) {
      end = endOfScan(bytes, end)
      scanned = true
    }
    if (isNeeded(marker, length)) kept.push(bytes.subarray(at, end))
    at = end
  }
  return 'truncated'
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(pieces.reduce((n, p) => n + p.length, 0))
  let at = 0
  for (const piece of pieces) {
    out.set(piece, at)
    at += piece.length
  }
  return out
}
