import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp({ nodes, param, mode }, { values, modes }, emit) {
    const pulse = modes[mode.pulse]
    if (pulse === 0) emit({ type: 'R', a: nodes.a, b: nodes.b, ohms: values[param.idle] })
    else
      emit({
        type: 'VDC',
        a: nodes.a,
        b: nodes.b,
        ohms: values[param.ohms],
        volts: pulse === 2 ? values[param.volts] : -values[param.volts],
      })
  },
  transition({ param, mode }, point, request) {
    const { modes } = point
    if (modes[mode.pulse] && point.time >= point.modeSince[mode.pulse] + point.values[param.lasts] - 1e-9)
      return request(mode.pulse, 0)
    if (modes[mode.sent] === modes[mode.called] || modes[mode.pulse]) return
    request(mode.pulse, modes[mode.called] ? 2 : 1)
    request(mode.sent, modes[mode.called])
  },
  nextTimeEvent: ({ param, mode }, point) =>
    point.modes[mode.pulse] ? point.modeSince[mode.pulse] + point.values[param.lasts] : Infinity,
  signals: {
    called: { description: 'the control calls for it', read: ({ mode }, { modes }) => modes[mode.called] },
    pulses: { description: 'a pulse is being sent', read: ({ mode }, { modes }) => (modes[mode.pulse] ? 1 : 0) },
  },
  active: 'called',
}
