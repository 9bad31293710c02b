import type { KindBehaviour, Part, PointView } from '../contract'

const AWAY = 0
const ON = 1
const LIFTED = 2

const closed = ({ mode, choice }: Part, { modes }: PointView): boolean =>
  modes[mode.contact] < 2 ? modes[mode.contact] === 1 : (modes[mode.finger] === ON) !== (choice.rest === 'closed')

const liftedAt = ({ mode, param }: Part, { modeSince, values }: PointView): number =>
  modeSince[mode.finger] + values[param.held]

export const kindBehaviour: KindBehaviour = {
  stamp(part, point, emit) {
    if (closed(part, point))
      emit({ type: 'R', a: part.nodes['1'], b: part.nodes['2'], ohms: point.values[part.param.ohms] })
  },
  transition(part, point, request) {
    const { finger, pressed } = part.mode
    const at = point.modes[finger]
    if (point.modes[pressed] === 0) {
      if (at !== AWAY) request(finger, AWAY)
    } else if (at === AWAY) request(finger, ON)
    else if (at === ON && point.time >= liftedAt(part, point) - 1e-9) request(finger, LIFTED)
  },
  nextTimeEvent: (part, point) => (point.modes[part.mode.finger] === ON ? liftedAt(part, point) : Infinity),
  signals: {
    closed: { description: 'contact closed', read: (part, point) => (closed(part, point) ? 1 : 0) },
    pressed: { description: 'a finger is on it', read: ({ mode }, { modes }) => (modes[mode.finger] === ON ? 1 : 0) },
  },
}
