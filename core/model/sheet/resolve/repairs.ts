import type { Sheet } from '../types'
import { entries } from './problem-collector'
import type { Scope } from './scope'

/** Share of its repairs that hold, where the sheet does not say. */
const USUALLY_HOLDS = 0.97

/** The repairs: their minutes, their price, and the share of them that hold. */
export function resolveRepairs({ collector, written }: Scope): Sheet['repairs'] {
  return entries(written.repairs).map(([id, r]) => ({
    id,
    title: r.title,
    minutes: collector.quantity(r.minutes, 'time', ['repairs', id, 'minutes']).value / 60,
    price: r.price === undefined ? 0 : collector.quantity(r.price, 'money', ['repairs', id, 'price']).value,
    successProbability:
      r.holds === undefined ? USUALLY_HOLDS : collector.quantity(r.holds, 'ratio', ['repairs', id, 'holds']).value,
    licensed: r.licensed,
    caution: r.caution,
  }))
}
