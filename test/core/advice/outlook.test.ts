import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { createEngine, outlookOf } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
import { orThrow } from '../../../core/foundation/result'
import { readSheet } from '../../../core/model/sheet'
import { random } from '../../../core/truth'
import { drawCall } from '../../../benchmark/draw'

const { text, file } = findShipped('orrisk-tl22')!
const engine = createEngine(orThrow(readSheet(text, file, findShipped)))

/** Minutes of the tests that the advice asks for at a machine that really stands there. */
function play(seed: number): { complaint: string; minutes: number; evidence: Evidence[] } {
  const { truth, complaint } = drawCall(engine.catalogue, 'single', random(seed))
  const evidence: Evidence[] = [{ type: 'complaint', complaint }]
  let minutes = 0
  for (let n = 0; n < 25; n++) {
    const { plan } = engine.advise(evidence, undefined, 0)
    const next = plan.state === 'testing' ? plan.next[0] : undefined
    if (!next) break
    minutes += next.minutes
    for (const p of next.strip?.rows ?? [next.procedure])
      evidence.push({ type: 'reading', test: p.id, value: truth.read(p), instrument: undefined })
  }
  return { complaint, minutes, evidence }
}

describe('what a visit will probably take', () => {
  it('is, over drawn calls, what the tests then took: neither half of it nor twice', () => {
    const played = Array.from({ length: 12 }, (_, i) => play(100 + i))
    const expected = new Map<string, number>()
    for (const { complaint } of played)
      if (!expected.has(complaint))
        expected.set(complaint, outlookOf(engine, [{ type: 'complaint', complaint }]).diagnosis)
    const sum = (list: readonly number[]) => list.reduce((a, b) => a + b, 0)
    const ratio = sum(played.map((p) => p.minutes)) / sum(played.map((p) => expected.get(p.complaint)!))
    expect(ratio).toBeGreaterThan(0.5)
    expect(ratio).toBeLessThan(2)
  }, 300_000)
  it('once a cause stands, no test is to come; what it may need are chances of parts', () => {
    const { complaint, evidence } = play(100)
    const [before, after] = [outlookOf(engine, [{ type: 'complaint', complaint }]), outlookOf(engine, evidence)]
    expect(after.diagnosis).toBe(0)
    for (const { needs } of [before, after]) {
      expect(needs.reduce((all, n) => all + n.chance, 0)).toBeLessThanOrEqual(1 + 1e-9)
      expect(needs.every((n) => n.chance > 0 && n.price > 0)).toBe(true)
    }
  }, 120_000)
})
