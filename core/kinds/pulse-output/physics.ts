import type { KindPhysics } from '../contract'

export const physics: KindPhysics = {
  stamp({ e, param, mode }, { v, m }, emit) {
    const pulse = m[mode.pulse]
    if (pulse === 0) emit({ type: 'R', a: e.a, b: e.b, ohms: v[param.idle] })
    else
      emit({ type: 'VDC', a: e.a, b: e.b, ohms: v[param.ohms], volts: pulse === 2 ? v[param.volts] : -v[param.volts] })
  },
  react({ param, mode }, live, want) {
    const { m } = live
    if (m[mode.pulse] && live.t >= live.since[mode.pulse] + live.v[param.lasts] - 1e-9) return want(mode.pulse, 0)
    if (m[mode.sent] === m[mode.called] || m[mode.pulse]) return
    want(mode.pulse, m[mode.called] ? 2 : 1)
    want(mode.sent, m[mode.called])
  },
  deadline: ({ param, mode }, live) => (live.m[mode.pulse] ? live.since[mode.pulse] + live.v[param.lasts] : Infinity),
  signals: {
    called: { about: 'the control calls for it', read: ({ mode }, { m }) => m[mode.called] },
    pulses: { about: 'a pulse is being sent', read: ({ mode }, { m }) => (m[mode.pulse] ? 1 : 0) },
  },
  active: 'called',
}
