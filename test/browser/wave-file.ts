import { writeFileSync } from 'node:fs'

/** Writes samples as a file that a browser takes for a microphone: 16 bit, one channel. */
export function writeWave(path: string, samples: Float32Array, rate: number): void {
  const bytes = Buffer.alloc(44 + 2 * samples.length)
  bytes.write('RIFF', 0)
  bytes.writeUInt32LE(36 + 2 * samples.length, 4)
  bytes.write('WAVEfmt ', 8)
  bytes.writeUInt32LE(16, 16)
  bytes.writeUInt16LE(1, 20)
  bytes.writeUInt16LE(1, 22)
  bytes.writeUInt32LE(rate, 24)
  bytes.writeUInt32LE(2 * rate, 28)
  bytes.writeUInt16LE(2, 32)
  bytes.writeUInt16LE(16, 34)
  bytes.write('data', 36)
  bytes.writeUInt32LE(2 * samples.length, 40)
  samples.forEach((x, i) => bytes.writeInt16LE(Math.round(Math.max(-1, Math.min(1, x)) * 32767), 44 + 2 * i))
  writeFileSync(path, bytes)
}
