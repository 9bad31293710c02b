import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.seal] === 0) emit({ ...linkOfKv(ports.in, ports.out, values[param.passes]), oneWay: true })
  },
  signals: { weeps: { description: 'it weeps', read: ({ mode }, { modes }) => 1 - modes[mode.seal] } },
}
