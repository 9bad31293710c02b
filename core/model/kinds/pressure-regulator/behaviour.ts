import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  links({ ports, param, mode }, { values, modes }, emit) {
    const passes = values[param.passes]
    const works = modes[mode.seat] === 1
    emit({
      ...linkOfKv(ports.in, ports.out, passes * values[param.clear]),
      outletAtMost: works ? values[param.sets] : Infinity,
      droop: values[param.falls] / passes,
      oneWay: true,
    })
  },
  signals: {
    pressure: {
      description: 'pressure behind the regulator',
      dimension: 'pressure',
      read: ({ ports }, point) => point.pressure(ports.out),
    },
  },
}
