import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour, Part, PointView } from '../contract'

const STILL = 0
const OPENING = 1
const SHUTTING = 2
const [SHUT, BETWEEN, OPEN] = [0, 1, 2]
const GATE_STEPS = 4

/** Which way its motor turns it. */
function driven({ nodes, param, mode }: Part, point: PointView): number {
  if (!point.modes[mode.windings]) return STILL
  const least = point.values[param.starts]
  const [opens, shuts] = [point.volts(nodes.open, nodes.com) >= least, point.volts(nodes.close, nodes.com) >= least]
  return opens === shuts ? STILL : opens ? OPENING : SHUTTING
}

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (!modes[mode.windings]) return
    const winding = { type: 'RL', ohms: values[param.ohms], henries: values[param.henries] } as const
    emit({ ...winding, a: nodes.open, b: nodes.com })
    emit({ ...winding, a: nodes.close, b: nodes.com })
  },
  links({ ports, param, mode }, { values, modes }, emit) {
    const share = modes[mode.gate] / GATE_STEPS
    if (share > 0) emit(linkOfKv(ports.in, ports.out, values[param.passes] * share))
  },
  rates({ state, param, mode }, { values, modes }, derivatives) {
    if (!modes[mode.gear]) return
    const [drive, end] = [modes[mode.drive], modes[mode.end]]
    if (drive === OPENING && end !== OPEN) derivatives[state.travel] += 1 / values[param.travels]
    if (drive === SHUTTING && end !== SHUT) derivatives[state.travel] -= 1 / values[param.travels]
  },
  transition(part, point, request) {
    const { mode, state, param } = part
    const drive = driven(part, point)
    if (point.modes[mode.drive] !== drive) return request(mode.drive, drive)
    const travel = point.states[state.travel]
    const seats = point.values[param.seats]
    const end = drive === OPENING && travel >= 1 ? OPEN : drive === SHUTTING && travel <= seats ? SHUT : BETWEEN
    // Where it stands it stays at that end until it is driven away from it.
    if (drive !== STILL && point.modes[mode.end] !== end) return request(mode.end, end)
    const gate = point.modes[mode.gate]
    if (gate < GATE_STEPS && travel * GATE_STEPS >= gate + 0.75) request(mode.gate, gate + 1)
    else if (gate > 0 && travel * GATE_STEPS <= gate - 0.75) request(mode.gate, gate - 1)
  },
  signals: {
    travel: {
      description: 'how far it stands open',
      dimension: 'ratio',
      read: ({ state }, { states }) => states[state.travel],
    },
    turns: {
      description: 'its motor turns',
      read: ({ mode }, { modes }) =>
        modes[mode.drive] !== STILL && modes[mode.end] !== (modes[mode.drive] === OPENING ? OPEN : SHUT) ? 1 : 0,
    },
    shut: {
      description: 'its pointer stands at shut',
      read: ({ state }, { states }) => (states[state.travel] < 0.1 ? 1 : 0),
    },
    flow: { description: 'flow through the valve', dimension: 'flow', read: (part, point) => point.flow(part) },
    passes: {
      description: 'water runs through it',
      from: '0.2 L/min',
      read: (part, point) => (point.flow(part) > 0.2e-3 / 60 ? 1 : 0),
    },
  },
  active: 'turns',
}
