import { describe, expect, it } from 'vitest'
import { random } from '../../core/truth'
import { lookThrough, meet } from '../../benchmark/self-check'
import { advise, reasons, Engine, type Advice } from '../../core/advice'
import { formatReading } from '../../core/words'
import type { Evidence } from '../../core/evidence'
import type { Predictor } from '../../core/diagnosis/predict'
import type { Procedure } from '../../core/diagnosis/catalogue'
import { evidenceOf } from '../core/support/sheets'
import { oneOfEachFamily, shippedMachines, shippedPredictor } from '../core/support/shipped'

const machines = shippedMachines()
/** `npm run self-check` plays all faults of all machines. */
const first = oneOfEachFamily()
const LENGTH = 5

/** What somebody might type for a test: mostly what some suspect would show, sometimes anything. */
function typed(p: Predictor, { shape, ...procedure }: Procedure, next: () => number): string {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]
  if (next() < 0.08) return pick(['could not', 'never'])
  switch (shape.type) {
    case 'yes-no':
      return pick(['yes', 'no'])
    case 'word':
      return pick(shape.words)
    case 'times':
      return pick(['10/10', '9 of 10', '0/5', '1/1'])
    case 'number': {
      const shown = p.predict(pick(p.hypotheses), { shape, ...procedure })
      if (shown.type !== 'value') return shape.dimension === 'resistance' && shown.type === 'open' ? 'OL' : 'never'
      const si = shown.mean * pick([1, 1, 1, 1.05, 0.5, 1000, 0.001, 0])
      return formatReading({ type: 'value', si }, shape.dimension)
    }
  }
}

/** Everything that an advice says, as one text. */
function saidBy(p: Predictor, a: Advice): string {
  const why = a.plan.next.slice(0, 2).flatMap((s) => reasons(p, a.belief, a.interpreted, s))
  return JSON.stringify([new Engine(p).view(a), why], (_, value: unknown) => {
    if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`a number that is none: ${value}`)
    return value
  })
}

function isSound(p: Predictor, a: Advice): void {
  const { belief, plan } = a
  const all = [...belief.posterior, belief.unknownFault, belief.truncatedMass]
  expect(all.every((x) => x >= 0)).toBe(true)
  expect(all.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 9)
  expect(plan.state === 'testing').toBe(!plan.stop)
  if (!plan.stop) expect(plan.next.length).toBeGreaterThan(0)
  for (const s of plan.next) {
    expect(s.minutes, s.procedure.id).toBeGreaterThan(0)
    expect(s.saving, s.procedure.id).toBeGreaterThan(0)
  }
  for (const r of plan.remedies) expect(r.p > 0 && r.p <= 1 + 1e-9).toBe(true)
  expect(saidBy(p, a)).not.toMatch(/undefined|NaN|\[object/)
}

describe.each(machines)('%s', (id) => {
  const p = shippedPredictor(id)
  const place = machines.indexOf(id)
  const { procedures, machine } = p.catalogue
  const { targets } = new Engine(p).vocabulary

  it('every fault shows, nothing healthy is complained of, look-alikes are few', () => {
    const { wrong, signatures } = lookThrough(p)
    expect(wrong).toEqual([])
    expect(machine.faults.length).toBeGreaterThanOrEqual(25)
    expect(signatures).toBeGreaterThanOrEqual(15)
  })
  it.runIf(first.includes(id))('the advice ends on the right repair', () => {
    for (let k = 11 * place; ; k++) {
      const met = meet(p, machine.faults[k % machine.faults.length], place + 1)
      if (!met) continue
      expect(met.solved, met.fault).toBe(true)
      return
    }
  })
  it.runIf(first.includes(id))('whatever is entered, the advice is sound, and the order of readings makes no difference', () => {
    const next = random((place + 1) * 613)
    const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]
    const complaint = evidenceOf(p, { complaint: pick(machine.sheet.complaints).id })
    const readings: Evidence[] = []
    for (let k = 0; k < LENGTH; k++) {
      const test = pick(procedures)
      readings.push(...evidenceOf(p, { test: test.id, reading: typed(p, test, next) }))
    }
    const forth = advise(p, [...complaint, ...readings], 'best', 0)
    isSound(p, forth)
    const back = advise(p, [...complaint, ...readings.toReversed()], 'best', 0)
    expect(Array.from(back.belief.posterior)).toEqual(Array.from(forth.belief.posterior))
    expect(back.belief.unknownFault).toBe(forth.belief.unknownFault)
    // What hands do in between may change everything but what must hold.
    const verb = pick(['unplug', 'jumper', 'repair', 'open', 'start'] as const)
    const target = targets[verb]
    if (!target?.length) return
    const action: Evidence = { type: 'action', action: { verb, target: pick(target) } }
    isSound(p, advise(p, [...complaint, ...readings.slice(0, 2), action, ...readings.slice(2)], 'best', 0))
  })
})

describe('two machines of one family', () => {
  it.each([
    ['orrisk-tl40', 'orrisk-tl22'],
    ['tarvost-fl7', 'tarvost-fl5'],
    ['brindlow-d6', 'brindlow-d3'],
    ['quenby-c40', 'quenby-c25'],
    ['quenby-c40', 'quenby-c12'],
    ['ulldale-f9', 'ulldale-f6'],
    ['brindlow-s12', 'brindlow-s8'],
    ['ulldale-g6', 'ulldale-g6s'],
  ])(
    '%s and %s: some complaint gets other first advice',
    (one, two) => {
      const [a, b] = [one, two].map((id) => shippedPredictor(id))
      const advised = (p: Predictor, complaint: string) =>
        advise(p, evidenceOf(p, { complaint }), 'best', 0)
          .plan.next.slice(0, 3)
          .map((s) => s.procedure.id)
          .join()
      const both = a.catalogue.machine.sheet.complaints.filter((c) =>
        b.catalogue.machine.sheet.complaints.some((d) => d.id === c.id),
      )
      expect(both.some(({ id }) => advised(a, id) !== advised(b, id))).toBe(true)
    },
  )
})
