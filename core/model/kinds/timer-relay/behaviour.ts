import type { KindBehaviour, Part, PointView } from '../contract'

/** When the contact follows what the coil says, s: late the one way, at once the other. */
function dueAt({ param, mode, choice }: Part, { modes, values, modeSince }: PointView): number {
  const late = choice.delays === 'opening' ? modes[mode.fed] === 0 : modes[mode.fed] === 1
  return modeSince[mode.fed] + (late ? values[param.delay] : 0)
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
    const wanted = point.time >= dueAt(part, point) - 1e-9 ? fed : point.modes[mode.contact]
    if (point.modes[mode.contact] !== wanted) request(mode.contact, wanted)
  },
  nextTimeEvent(part, point) {
    return point.modes[part.mode.fed] !== point.modes[part.mode.contact] ? dueAt(part, point) : Infinity
  },
  signals: {
    through: { description: 'its contact is closed', read: ({ mode }, { modes }) => modes[mode.contact] },
  },
  active: 'through',
}
