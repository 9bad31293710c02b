declare module 'fft.js' {
  /** Radix-4 fast Fourier transform of a power of two. */
  export default class FFT {
    constructor(size: number)
    createComplexArray(): number[]
    /** First half of the spectrum, re and im in turn. */
    realTransform(out: number[], data: readonly number[]): void
  }
}
