import { betaOhms } from '../beta'
import type { Live, Part, KindPhysics } from '../contract'

/** What is left of a shorted bead, Ω. */
const SHORT = 2

/** No bead of any machine is colder or hotter than this, °C; a trial step of the integrator may be. */
const [COLDEST, HOTTEST] = [-120, 900]

const bead = (part: Part, live: Live): number => {
  const felt = live.ambient + live.v[part.param.feels] * (live.of(part, 'of', 'temperature') - live.ambient)
  return Math.min(HOTTEST, Math.max(COLDEST, felt))
}

export const physics: KindPhysics = {
  stampFollowsState: 'resistance',
  stamp(part, live, emit) {
    const { e, param, mode } = part
    if (live.m[mode.bead] === 0) return
    const ohms = live.m[mode.bead] === 1 ? SHORT : betaOhms(live.v[param.ohms], live.v[param.beta], bead(part, live))
    emit({ type: 'R', a: e['1'], b: e['2'], ohms })
  },
  signals: {
    temperature: { about: 'temperature of the bead', dimension: 'temperature', read: bead },
    loose: { about: 'it sits loose', read: ({ param }, { v }) => (v[param.feels] < 0.9 ? 1 : 0) },
  },
}
