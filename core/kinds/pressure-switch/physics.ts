import type { Live, Part, KindPhysics } from '../contract'

/** Which contact is made: 0 empty, 1 full, 2 none. */
const made = ({ mode }: Part, { m }: Live): number => (m[mode.contact] < 3 ? m[mode.contact] : m[mode.snap])

export const physics: KindPhysics = {
  stamp(part, live, emit) {
    const at = made(part, live)
    if (at < 2) emit({ type: 'R', a: part.e.com, b: at ? part.e.full : part.e.empty, ohms: live.v[part.param.ohms] })
  },
  react(part, live, want) {
    const pressure = live.of(part, 'tube', 'pressure')
    const full = live.m[part.mode.snap] === 1
    if (!full && pressure >= live.v[part.param.trip]) want(part.mode.snap, 1)
    if (full && pressure <= live.v[part.param.reset]) want(part.mode.snap, 0)
  },
  signals: {
    full: { about: 'it has tripped to full', read: (part, live) => (made(part, live) === 1 ? 1 : 0) },
    empty: { about: 'it stands at empty', read: (part, live) => (made(part, live) === 0 ? 1 : 0) },
  },
}
