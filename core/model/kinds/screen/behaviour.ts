import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param, mode }, { values, modes }, emit) {
    // A hole lets everything through, grit as well.
    emit(linkOfKv(ports.in, ports.out, values[param.passes] * (modes[mode.mesh] ? values[param.clear] : 1.5)))
  },
  signals: {
    dirty: { description: 'it is clogged', read: ({ param }, { values }) => (values[param.clear] < 0.5 ? 1 : 0) },
    torn: { description: 'its mesh is torn', read: ({ mode }, { modes }) => 1 - modes[mode.mesh] },
  },
}
