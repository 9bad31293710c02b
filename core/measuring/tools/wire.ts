import { EXACT, OHMMETER, refused, type Outcome, type Tool } from '../contract'

/** Annealed copper at 20 °C, Ω·m (IEC 60028). */
export const COPPER_OHM_METRES = 1.7241e-8

/** m² of an AWG gauge: diameter 0.127 mm × 92^((36 − n)/39) (ASTM B258). @param gauge −3 (0000) … 40 */
export const awgArea = (gauge: number): number => (Math.PI / 4) * (0.127e-3 * 92 ** ((36 - gauge) / 39)) ** 2

/** Ω of a splice as the trade counts it. */
const SPLICE = 0.005

/**
 * A run of wire there and back: its ohms, what is left at its end, how long it might be, and by the ohms into a dead short how far that
 * short is.
 */
export const wire: Tool = {
  id: 'wire',
  choices: [{ id: 'gauge', options: ['mm²', 'AWG'] }],
  fields: [
    { id: 'size', dimension: 'count', above: -4, most: 500, accuracy: EXACT },
    { id: 'length', dimension: 'length', long: true, above: 0, most: 1e5, accuracy: { share: 0.03, step: 0 } },
    { id: 'splices', dimension: 'count', optional: true, least: 0, most: 1000, accuracy: EXACT },
    { id: 'volts', dimension: 'voltage', optional: true, above: 0, most: 1000, accuracy: { share: 0.01, step: 0 } },
    { id: 'amps', dimension: 'current', optional: true, above: 0, most: 1000, accuracy: { share: 0.03, step: 0 } },
    { id: 'least', dimension: 'voltage', optional: true, above: 0, most: 1000, accuracy: EXACT },
    { id: 'short', dimension: 'resistance', optional: true, least: 0, accuracy: OHMMETER },
  ],
  compute({ values, choices }) {
    const { size, length, splices = 0, volts, amps, least, short } = values as Record<string, number>
    if (choices.gauge !== 'AWG' && size <= 0) return refused('size', 'not-positive')
    const area = choices.gauge === 'AWG' ? awgArea(size) : size * 1e-6
    const perMetre = COPPER_OHM_METRES / area
    const loop = 2 * length * perMetre + splices * SPLICE
    const outcomes: Outcome[] = [
      {
        id: 'area',
        dimension: 'area',
        value: area,
        formula: choices.gauge === 'AWG' ? 'π/4 × (0.127 mm × 92^((36 − {size}) / 39))²' : '{size} mm²',
      },
      {
        id: 'loop',
        dimension: 'resistance',
        value: loop,
        formula: `2 × {length} × 0.01724 Ω·mm²/m / {area}${splices ? ' + {splices} × 0.005 Ω' : ''}`,
      },
    ]
    const means: string[] = []
    if (volts !== undefined && amps !== undefined) {
      const left = volts - loop * amps
      if (left <= 0) return refused('amps', 'too-large')
      outcomes.push({ id: 'left', dimension: 'voltage', value: left, formula: '{volts} − {loop} × {amps}' })
      if (least !== undefined) {
        if (least >= volts) return refused('least', 'too-large')
        const longest = ((volts - least) / amps - splices * SPLICE) / (2 * perMetre)
        outcomes.push({
          id: 'longest',
          dimension: 'length',
          value: Math.max(0, longest),
          formula: `(({volts} − {least}) / {amps}${splices ? ' − {splices} × 0.005 Ω' : ''}) / (2 × 0.01724 Ω·mm²/m / {area})`,
        })
        means.push(left >= least ? 'long-enough' : 'too-long')
      }
    }
    if (short !== undefined) {
      const far = short / (2 * perMetre)
      outcomes.push({ id: 'far', dimension: 'length', value: far, formula: '{short} / (2 × 0.01724 Ω·mm²/m / {area})' })
      means.push(far > length * 1.05 ? 'no-short' : 'short-there')
    }
    return { outcomes, means, problems: [] }
  },
}
