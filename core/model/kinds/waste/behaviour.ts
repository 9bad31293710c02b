import { PASCALS_PER_METRE } from '../../../physics/water'
import { linkOfKv } from '../link-of-kv'
import type { KindBehaviour } from '../contract'

export const kindBehaviour: KindBehaviour = {
  // Over its highest point water must be lifted; once it runs as a siphon the lower end draws it over.
  fixedPressures({ ports, param, mode }, { values, modes }, emit) {
    const { height, end } = param
    emit(ports.air, (modes[mode.siphon] ? Math.min(values[height], values[end]) : values[height]) * PASCALS_PER_METRE)
  },
  links({ ports, param }, { values }, emit) {
    emit({ ...linkOfKv(ports.in, ports.air, values[param.passes] * values[param.clear]), oneWay: true })
  },
  transition(part, point, request) {
    const { param, mode } = part
    const runs = point.modes[mode.siphon] === 1
    const flow = point.flow(part)
    const starts = point.values[param['siphons-at']]
    if (!runs && point.modes[mode.mouth] === 0 && flow >= starts) request(mode.siphon, 1)
    if (runs && (point.modes[mode.mouth] === 1 || flow < starts / 10)) request(mode.siphon, 0)
  },
  signals: {
    runs: {
      description: 'water leaves at the waste',
      from: '0.5 L/min',
      descriptionBy: { choice: 'ends', words: { open: 'water comes out' } },
      read: (part, point) => (point.flow(part) > 0.5e-3 / 60 ? 1 : 0),
    },
    flow: { description: 'flow at the waste', dimension: 'flow', read: (part, point) => point.flow(part) },
    sealed: { description: 'its end sits sealed or too deep', read: ({ mode }, { modes }) => 1 - modes[mode.mouth] },
    low: { description: 'it hangs too low', read: ({ param }, { values }) => (values[param.height] < 0.3 ? 1 : 0) },
  },
}
