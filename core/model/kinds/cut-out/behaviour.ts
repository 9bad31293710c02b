import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    if (modes[mode.contact]) emit({ type: 'R', a: nodes['1'], b: nodes['2'], ohms: values[param.ohms] })
  },
  transition(part, point, request) {
    if (
      point.modes[part.mode.contact] === 1 &&
      point.referredSignal(part, 'of', 'temperature') >= point.values[part.param['trips-at']]
    )
      request(part.mode.contact, 0)
  },
  signals: { tripped: { description: 'it has tripped', read: ({ mode }, { modes }) => 1 - modes[mode.contact] } },
}
