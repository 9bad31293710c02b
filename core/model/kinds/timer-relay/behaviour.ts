import type { KindBehaviour, Part, PointView } from '../contract'

/** When the delay that runs is over, s. */
const overAt = ({ param, mode }: Part, { values, modeSince }: PointView): number =>
  modeSince[mode.fed] + values[param.delay]

/** How its contact stands while the delay runs, and when it is over, as the coil is fed or not. */
const CONTACT: Record<string, Record<'running' | 'over', readonly [unfed: number, fed: number]>> = {
  closing: { running: [0, 0], over: [0, 1] },
  opening: { running: [1, 1], over: [0, 1] },
  interval: { running: [0, 1], over: [0, 0] },
}

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
    if (modes[mode.contact]) emit({ type: 'R', a: nodes.com, b: nodes.no, ohms: values[param['contact-ohms']] })
  },
  transition(part, point, request) {
    const { nodes, param, mode } = part
    const fed = point.volts(nodes.a, nodes.b) >= point.values[param.starts] ? 1 : 0
    if (point.modes[mode.fed] !== fed) return request(mode.fed, fed)
    // Before it was fed for the first time nothing has run off.
    const ran = point.modeSince[mode.fed] > 0 || fed === 1
    const state = ran && point.time < overAt(part, point) - 1e-9 ? 'running' : 'over'
    const wanted = CONTACT[part.choice.delays][state][fed]
    if (point.modes[mode.contact] !== wanted) request(mode.contact, wanted)
  },
  nextTimeEvent(part, point) {
    const { mode, choice } = part
    const later = CONTACT[choice.delays].over[point.modes[mode.fed]]
    return later !== point.modes[mode.contact] ? overAt(part, point) : Infinity
  },
  signals: {
    through: { description: 'its contact is closed', read: ({ mode }, { modes }) => modes[mode.contact] },
  },
  active: 'through',
}
