import { cleanJpeg } from '../../core/foundation/jpeg'
import { MOST_PHOTO_BYTES } from '../../shared/contracts/photos'

/** Why a file is no photo that can be kept. */
export class PhotoError extends Error {
  constructor(readonly code: 'not-a-picture' | 'cut-short') {
    super(code)
  }
}

/** Longest side of what is kept, pixels: the print on a connector can be read. */
const LONGEST_SIDE = 1600
/** What JPEG is tried at, the best first; then the sides are cut down. */
const QUALITIES = [0.82, 0.7, 0.55]
const CUT = 0.75
const SMALLEST_SIDE = 200
/** As much of a file as is read to see whether it is whole, bytes. */
const MOST_LOOKED_AT = 60_000_000

/** A camera's file whose end is missing is drawn grey from there on: better said than kept. */
async function isCutShort(file: Blob): Promise<boolean> {
  if (file.size > MOST_LOOKED_AT) return false
  return cleanJpeg(new Uint8Array(await file.arrayBuffer())) === 'truncated'
}

/**
 * A photo of any size, the right way up and small enough to be kept and sent, without what the camera wrote about place and time.
 *
 * @throws PhotoError where the file is no whole picture that this browser can draw
 */
export async function shrinkPhoto(file: Blob): Promise<{ photo: Blob; width: number; height: number }> {
  if (await isCutShort(file)) throw new PhotoError('cut-short')
  const drawn = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new PhotoError('not-a-picture')
  })
  try {
    for (let scale = Math.min(1, LONGEST_SIDE / Math.max(drawn.width, drawn.height)); ; scale *= CUT) {
      const [width, height] = [drawn.width, drawn.height].map((side) => Math.max(1, Math.round(side * scale))) as [
        number,
        number,
      ]
      const canvas = new OffscreenCanvas(width, height)
      canvas.getContext('2d')!.drawImage(drawn, 0, 0, width, height)
      for (const quality of QUALITIES) {
        const photo = await canvas.convertToBlob({ type: 'image/jpeg', quality })
        if (photo.size <= MOST_PHOTO_BYTES) return { photo, width, height }
      }
      if (Math.max(width, height) < SMALLEST_SIDE) throw new PhotoError('not-a-picture')
    }
  } finally {
    drawn.close()
  }
}
