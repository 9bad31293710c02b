/** Hands the samples of a microphone on in pieces; nothing is kept here. */
declare const registerProcessor: (name: string, processor: unknown) => void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

const PIECE = 2048

class Samples extends AudioWorkletProcessor {
  private piece = new Float32Array(PIECE)
  private filled = 0

  process([input]: Float32Array[][]): boolean {
    const samples = input?.[0]
    if (!samples) return true
    for (let from = 0; from < samples.length;) {
      const take = Math.min(PIECE - this.filled, samples.length - from)
      this.piece.set(samples.subarray(from, from + take), this.filled)
      this.filled += take
      from += take
      if (this.filled < PIECE) continue
      this.port.postMessage(this.piece, [this.piece.buffer])
      this.piece = new Float32Array(PIECE)
      this.filled = 0
    }
    return true
  }
}
registerProcessor('samples', Samples)
