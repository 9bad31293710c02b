import { betaOhms } from '../beta'
import type { PointView, Part, KindBehaviour } from '../contract'

/** What is left of a shorted bead, Ω. */
const SHORT = 2

/** No bead of any machine is colder or hotter than this, °C; a trial step of the integrator may be. */
const [COLDEST, HOTTEST] = [-120, 900]

const bead = (part: Part, point: PointView): number => {
  const felt =
    point.ambient + point.values[part.param.feels] * (point.referredSignal(part, 'of', 'temperature') - point.ambient)
  return Math.min(HOTTEST, Math.max(COLDEST, felt))
}

export const kindBehaviour: KindBehaviour = {
  stampDependsOnState: 'resistance',
  stamp(part, point, emit) {
    const { nodes, param, mode } = part
    if (point.modes[mode.bead] === 0) return
    const ohms =
      point.modes[mode.bead] === 1
        ? SHORT
        : betaOhms(point.values[param.ohms], point.values[param.beta], bead(part, point))
    emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms })
  },
  signals: {
    temperature: { description: 'temperature of the bead', dimension: 'temperature', read: bead },
    loose: { description: 'it sits loose', read: ({ param }, { values }) => (values[param.feels] < 0.9 ? 1 : 0) },
  },
}
