import type { WrittenSheet } from '../schema'
import type { RepairNotes, Sheet } from '../types'
import { entries } from './problem-collector'
import type { Scope } from './scope'

/** Share of its repairs that hold, where the sheet does not say. */
const USUALLY_HOLDS = 0.97

type WrittenRepair = NonNullable<NonNullable<WrittenSheet['repairs']>[string]>

const notesOf = (r: WrittenRepair): RepairNotes => ({
  steps: (r.steps ?? []).map((s) =>
    typeof s === 'string' ? { text: s, caution: undefined } : { text: s.do, caution: s.caution },
  ),
  work: r.work,
  lookAt: r['look-at'] ?? [],
  partNumber: r['part-number'],
  kit: r.kit ?? [],
  substitutes: r.substitutes ?? [],
  interim: r.interim,
  proved: r.proved,
})

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
    notes: notesOf(r),
  }))
}
