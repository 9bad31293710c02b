import { CLAMP, METER, refused, type Outcome, type Tool } from '../contract'

/** Input of a usual multimeter, and of one set to low impedance, Ω. */
const HIGH_INPUT = 10e6
const LOW_INPUT = 3e3

/**
 * Volts at a load, without it and with it: what stands in the way, and what is lost there. With a reading of low input impedance: whether
 * the volts were real, by the impedance that they come through.
 */
export const joint: Tool = {
  id: 'joint',
  fields: [
    { id: 'unloaded', dimension: 'voltage', above: 0, most: 1000, accuracy: METER },
    { id: 'loaded', dimension: 'voltage', optional: true, least: 0, most: 1000, accuracy: METER },
    { id: 'amps', dimension: 'current', optional: true, above: 0, most: 1000, accuracy: CLAMP },
    { id: 'low', dimension: 'voltage', optional: true, least: 0, most: 1000, accuracy: METER },
  ],
  compute({ values }) {
    const { unloaded, loaded, amps, low } = values as Record<string, number>
    const outcomes: Outcome[] = []
    const means: string[] = []
    if (loaded !== undefined) {
      if (loaded > unloaded * 1.02) return refused('loaded', 'swapped')
      const lost = Math.max(0, unloaded - loaded)
      outcomes.push({ id: 'lost', dimension: 'voltage', value: lost, formula: '{unloaded} − {loaded}' })
      outcomes.push({ id: 'share', dimension: 'ratio', value: lost / unloaded, formula: '{lost} / {unloaded}' })
      if (amps !== undefined) {
        outcomes.push({ id: 'ohms', dimension: 'resistance', value: lost / amps, formula: '{lost} / {amps}' })
        outcomes.push({ id: 'heat', dimension: 'power', value: lost * amps, formula: '{lost} × {amps}' })
      }
      means.push(lost / unloaded < 0.05 ? 'sound' : lost / unloaded < 0.15 ? 'weak' : 'bad-joint')
    }
    if (low !== undefined) {
      if (low > unloaded * 1.02) return refused('low', 'swapped')
      // One source behind Z, seen through two inputs: V = E·R/(R + Z).
      const way = low / LOW_INPUT - unloaded / HIGH_INPUT
      if (way > 0)
        outcomes.push({
          id: 'behind',
          dimension: 'resistance',
          value: Math.max(0, unloaded - low) / way,
          formula: '({unloaded} − {low}) / ({low} / 3 kΩ − {unloaded} / 10 MΩ)',
        })
      means.push(low < 0.5 * unloaded ? 'ghost' : 'real')
    }
    return { outcomes, means, problems: [] }
  },
}
