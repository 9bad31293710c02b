import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.open]) emit(linkOfKv(ports.in, ports.out, values[param.passes]))
  },
  signals: { open: { description: 'it is open', read: ({ mode }, { modes }) => modes[mode.open] } },
}
