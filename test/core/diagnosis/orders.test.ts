import { describe, expect, it } from 'vitest'
import { advise, compareOrders, Engine } from '../../../core/advice'
import type { WorkMode } from '../../../core/evidence'
import { evidenceOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const predictor = shippedPredictor('brindlow-d6')

describe('orders of work side by side', () => {
  it('each begins as its own advice does; the same beginning costs the same, and the best costs nothing more', () => {
    const seen = new Set<string>()
    for (const complaint of ['no-water', 'dirty', 'overfills'])
      for (const more of [[], [{ test: 'fill-valve.volts', reading: '229' }]]) {
        const evidence = evidenceOf(predictor, { complaint }, ...more)
        const engine = new Engine(predictor)
        const orders = compareOrders(predictor, advise(predictor, evidence))
        expect(orders.find((o) => o.strategy === 'best')!.more).toBe(0)
        const costs = new Map<string, number | undefined>()
        for (const { strategy, title, more: own } of orders) {
          const [first] = advise(predictor, evidence, strategy).plan.next
          expect(title).toBe(first.strip ? engine.titleOfStrip(first.strip) : engine.titleOf(first.procedure))
          expect(own ?? 0).toBeGreaterThanOrEqual(0)
          if (costs.has(title)) expect(own, `${strategy}: ${title}`).toBe(costs.get(title))
          costs.set(title, own)
          seen.add(title)
        }
      }
    expect(seen.size).toBeGreaterThan(2)
  })
  it('what may not be done is begun with by none', () => {
    const evidence = evidenceOf(predictor, { complaint: 'no-water' })
    const engine = new Engine(predictor)
    const looks = predictor.catalogue.procedures.filter((p) => p.workMode === 'observe').map((p) => engine.titleOf(p))
    const begun = (barred: WorkMode[]) =>
      compareOrders(predictor, advise(predictor, evidence, 'best', undefined, barred), barred).map((o) => o.title)
    expect(begun([]).some((title) => looks.includes(title))).toBe(true)
    expect(begun(['observe']).some((title) => looks.includes(title))).toBe(false)
  })
})
