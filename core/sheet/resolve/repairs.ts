import type { Sheet } from '../types'
import { entries } from './desk'
import type { Scope } from './scope'

/** Share of its repairs that hold, where the sheet does not say. */
const USUALLY_HOLDS = 0.97

export function resolveRepairs({ desk, w }: Scope): Sheet['repairs'] {
  return entries(w.repairs).map(([id, r]) => ({
    id,
    title: r.title,
    minutes: desk.quantity(r.minutes, 'time', ['repairs', id, 'minutes']).value / 60,
    price: r.price === undefined ? 0 : desk.quantity(r.price, 'money', ['repairs', id, 'price']).value,
    holds: r.holds === undefined ? USUALLY_HOLDS : desk.quantity(r.holds, 'ratio', ['repairs', id, 'holds']).value,
    licensed: r.licensed,
  }))
}
