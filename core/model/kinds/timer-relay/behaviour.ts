import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.ohms] })
    if (modes[mode.contact]) emit({ type: 'R', a: nodes.com, b: nodes.no, ohms: values[param['contact-ohms']] })
  },
  transition({ nodes, param, mode }, point, request) {
    const fed = point.volts(nodes.a, nodes.b) >= point.values[param.starts] ? 1 : 0
    if (point.modes[mode.fed] !== fed) return request(mode.fed, fed)
    const due = fed === 1 && point.time >= point.modeSince[mode.fed] + point.values[param.delay] - 1e-9
    if (point.modes[mode.contact] !== (due ? 1 : 0)) request(mode.contact, due ? 1 : 0)
  },
  nextTimeEvent({ param, mode }, point) {
    return point.modes[mode.fed] && !point.modes[mode.contact]
      ? point.modeSince[mode.fed] + point.values[param.delay]
      : Infinity
  },
  signals: {
    through: { description: 'delay over, contact closed', read: ({ mode }, { modes }) => modes[mode.contact] },
  },
  active: 'through',
}
