import { linkOfKv } from '../link-of-kv'
import { motorSignals, motorVolts, stampMotor, turningTransition } from '../motor-winding'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  stamp: stampMotor,
  links({ ports, param, mode }, { values, modes }, emit) {
    if (modes[mode.primed] === 0) return
    const head = modes[mode.turning] ? values[param.head] : 0
    emit({ ...linkOfKv(ports.in, ports.out, values[param.passes]), pressureRise: head, oneWay: true })
  },
  transition(part, point, request) {
    const { param, mode } = part
    turningTransition(part, point, request)
    const level = point.referredSignal(part, 'of', 'level')
    const primed = point.modes[mode.primed] === 1
    if (!primed && level >= point.values[param['primes-at']]) request(mode.primed, 1)
    if (primed && level <= point.values[param['primes-at']] / 2) request(mode.primed, 0)
  },
  signals: {
    ...motorSignals,
    hums: {
      description: 'it hums or turns',
      read: (part, point) => (motorVolts(part, point) > 0.4 * point.values[part.param.starts] ? 1 : 0),
    },
    throws: { description: 'water leaves at the waste', read: (part, point) => (point.flow(part) > 1e-3 / 60 ? 1 : 0) },
  },
  active: 'runs',
}
