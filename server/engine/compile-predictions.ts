import { gzipSync } from 'node:zlib'
import { compilePredictions, createEngine } from '../../core/advice'
import { writeCompiled } from '../../core/diagnosis/predict'
import { orThrow } from '../../core/foundation/result'
import { readSheet } from '../../core/model/sheet'
import type { SheetFile } from '../database/models'

/**
 * What a device needs of a sheet for its first advice: runs the machine under every single fault, which takes seconds.
 *
 * @param files the sheet first, then all that it extends or brings
 * @returns packed text, as a device reads it
 * @throws Error for a sheet with a mistake in it
 */
export function predictionsOf(files: SheetFile[]): Uint8Array {
  const [own] = files
  const sheet = orThrow(readSheet(own!.text, own!.file, (id) => files.find((f) => f.id === id)))
  return gzipSync(writeCompiled(compilePredictions(createEngine(sheet).predictor)), { level: 9 })
}
