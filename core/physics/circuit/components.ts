/**
 * The circuit as plain data: two-terminal components (and one two-port) between numbered nodes.
 * Open contacts and broken wires are simply absent. The circuit room knows no sheet and no kind.
 *
 * Units: ohms, henries, farads, volts RMS (AC) or volts (DC). Every ohms value must be > 0.
 */
export type Component =
  /** Resistance. */
  | { type: 'R'; a: number; b: number; ohms: number }
  /** Winding: resistance in series with inductance. */
  | { type: 'RL'; a: number; b: number; ohms: number; henries: number }
  /** Snubber or cable capacitance: resistance in series with a capacitor; open at DC. */
  | { type: 'RC'; a: number; b: number; ohms: number; farads: number }
  /** AC source with its series resistance; `a` is the live side. Resistance only at DC. */
  | { type: 'VAC'; a: number; b: number; ohms: number; volts: number }
  /** DC source with its series resistance; `a` is plus. Resistance only at AC. */
  | { type: 'VDC'; a: number; b: number; ohms: number; volts: number }
  /** Transformer: primary a–b, secondary c–d, turns ratio primary/secondary, magnetising inductance seen from the primary. */
  | {
      type: 'T'
      a: number
      b: number
      c: number
      d: number
      ohms: number
      ohms2: number
      henries: number
      ratio: number
    }
  /**
   * Rectifier of ideal diodes: AC side a–b, DC side c (plus) – d with its series resistance. To the AC network it is
   * the resistance `load` (Infinity: unloaded), to the DC network a source of `volts`. The two are tied together by
   * `coupleRectifiers`, which fills both in; as stamped they are a guess.
   */
  | {
      type: 'RECT'
      a: number
      b: number
      c: number
      d: number
      ohms: number
      wave: Wave
      load: number
      volts: number
    }

export type Wave = 'half' | 'full'

/**
 * A rectified sine by its RMS on the AC side: `mean` (what a DC meter shows), `ripple` (what an AC-coupled true-RMS
 * meter shows, as a share of the mean) and `drawn`, the resistance that takes the same power from the AC side over
 * the resistance of the DC side. Ideal diodes, a sine that stays a sine, a load that is resistive to the ripple.
 * Full wave: mean 2√2/π, RMS 1. Half wave: mean √2/π, RMS 1/√2.
 */
export const WAVES: Record<Wave, { mean: number; ripple: number; loadRatio: number }> = {
  full: { mean: (2 * Math.SQRT2) / Math.PI, ripple: Math.sqrt(Math.PI ** 2 / 8 - 1), loadRatio: 1 },
  half: { mean: Math.SQRT2 / Math.PI, ripple: Math.sqrt(Math.PI ** 2 / 4 - 1), loadRatio: 2 },
}

export type Analysis = 'ac' | 'dc'

/** One complex number, or the three entries of a two-port admittance, written into `out` to spare allocation. */
export interface Admittance {
  re: number
  im: number
  /** Two-port only: transfer and secondary admittance. */
  re12: number
  im12: number
  re22: number
  im22: number
  /** Norton current flowing out of the source into node `a`, of a rectifier into `c` (amperes, real). */
  amps: number
}

/** An empty record for `admittanceOf` to write to, in S. */
export const newAdmittance = (): Admittance => ({ re: 0, im: 0, re12: 0, im12: 0, re22: 0, im22: 0, amps: 0 })

/**
 * Admittance of one component in the given analysis.
 *
 * @param omega angular frequency in rad/s; ignored for DC
 * @param out receives the result (mutated)
 */
export function admittanceOf(c: Component, analysis: Analysis, omega: number, out: Admittance): Admittance {
  out.amps = out.re12 = out.im12 = out.re22 = out.im22 = out.im = 0
  switch (c.type) {
    case 'R':
      out.re = 1 / c.ohms
      return out
    case 'RL': {
      const x = analysis === 'dc' ? 0 : omega * c.henries
      const d = c.ohms * c.ohms + x * x
      out.re = c.ohms / d
      out.im = -x / d
      return out
    }
    case 'RC': {
      if (analysis === 'dc') {
        out.re = 0
        return out
      }
      const x = -1 / (omega * c.farads)
      const d = c.ohms * c.ohms + x * x
      out.re = c.ohms / d
      out.im = -x / d
      return out
    }
    case 'VAC':
    case 'VDC':
      out.re = 1 / c.ohms
      out.amps = (c.type === 'VAC') === (analysis === 'ac') ? c.volts / c.ohms : 0
      return out
    case 'RECT':
      // Two branches without transfer between them: the AC side a–b, the DC side c–d (entry 22).
      out.re = analysis === 'ac' ? 1 / c.load : 0
      out.re22 = analysis === 'dc' ? 1 / c.ohms : 0
      out.amps = analysis === 'dc' ? c.volts / c.ohms : 0
      return out
    case 'T': {
      if (analysis === 'dc') {
        out.re = 1 / c.ohms
        out.re22 = 1 / c.ohms2
        return out
      }
      // Z11 = R1 + Zm, Z12 = Zm/n, Z22 = R2 + Zm/n²; the determinant is expanded so that Zm² never cancels.
      const n = c.ratio
      const xm = omega * c.henries
      const detRe = c.ohms * c.ohms2
      const detIm = (c.ohms / (n * n) + c.ohms2) * xm
      const d = detRe * detRe + detIm * detIm
      const over = (re: number, im: number): [number, number] => [
        (re * detRe + im * detIm) / d,
        (im * detRe - re * detIm) / d,
      ]
      ;[out.re, out.im] = over(c.ohms2, xm / (n * n))
      ;[out.re22, out.im22] = over(c.ohms, xm)
      ;[out.re12, out.im12] = over(0, -xm / n)
      return out
    }
  }
}
