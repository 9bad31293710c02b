import { afterEach, describe, expect, it, vi } from 'vitest'
import { advise, compilePredictions, createEngine, withHistory, type Advice, type Engine } from '../../../core/advice'
import { readCompiled, writeCompiled } from '../../../core/diagnosis/predict'
import { RunCache } from '../../../core/diagnosis/predict/run-cache'
import type { Evidence } from '../../../core/evidence'
import { findShipped } from '../../../cli/library'
import { sheetOf } from '../support/sheets'

const shippedSheet = (id: string) => sheetOf(findShipped(id)!.text)

/** As far as two answers may be apart: what is kept is kept to so many digits. */
const WITHIN = 1e-12

/** What an answer comes to, number by number. Minutes are of the order of a job's. */
function numbersOf({ belief, plan }: Advice): Map<string, number> {
  const { posterior, unknownFault, truncatedMass } = belief
  return new Map([
    ['unknown fault', unknownFault],
    ['truncated', truncatedMass],
    ['cost now', plan.costNow / 1000],
    ...[...posterior].map((p, i) => [`hypothesis ${i}`, p] as const),
    // Two tests that are worth the same to the last digits may stand either way round.
    ...plan.next.flatMap(({ procedure: { id }, minutes, saving }) => [
      [`${id}: minutes`, minutes / 1000] as const,
      [`${id}: saving`, saving / 1000] as const,
    ]),
  ])
}
function expectSame(a: Advice, b: Advice, what: string): void {
  const [x, y] = [numbersOf(a), numbersOf(b)]
  expect([...y.keys()].sort(), what).toEqual([...x.keys()].sort())
  for (const [name, value] of x)
    expect(Math.abs(value - y.get(name)!), `${what}, ${name}: ${value}`).toBeLessThan(WITHIN)
  expect(b.plan.next[0]?.procedure.id, what).toBe(a.plan.next[0]?.procedure.id)
}
/** The same sheet with what was compiled of it, through its text. */
function provided(live: Engine, fresh: Engine): Engine {
  fresh.predictor.provide(readCompiled(writeCompiled(compilePredictions(live.predictor)))!)
  return fresh
}

afterEach(() => void vi.restoreAllMocks())

describe('what is compiled of a sheet', () => {
  it.each(['brindlow-s8', 'ulldale-f9', 'orrisk-tl22'])(
    '%s: gives the numbers of live runs, for every complaint, before and after a reading, and runs nothing for the first advice',
    (id) => {
      const live = createEngine(shippedSheet(id))
      const engine = provided(live, createEngine(shippedSheet(id)))
      const { complaints } = live.machine.sheet
      const runs = vi.spyOn(RunCache.prototype, 'record')
      const first = complaints.map((c) => advise(engine.predictor, [{ type: 'complaint', complaint: c.id }], 'best', 0))
      expect(runs, 'runs of the machine').not.toHaveBeenCalled()
      complaints.forEach((c, i) =>
        expectSame(advise(live.predictor, [{ type: 'complaint', complaint: c.id }], 'best', 0), first[i]!, c.id),
      )
      // What is entered is judged, and what comes after it planned, from what was kept and what is run by turns.
      const [c] = complaints
      const [next] = first[0]!.plan.next
      const shown = live.predictor.predict(live.predictor.healthy, next!.procedure)
      const value: Extract<Evidence, { type: 'reading' }>['value'] =
        shown.type === 'value' ? { type: 'value', si: shown.mean } : { type: 'no' }
      const evidence: Evidence[] = [
        { type: 'complaint', complaint: c!.id },
        { type: 'reading', test: next!.procedure.id, value, instrument: undefined },
      ]
      expectSame(advise(live.predictor, evidence), advise(engine.predictor, evidence), 'after a reading')
    },
  )
  it('runs nothing either where logarithms and powers end in another digit than where it was made, as in a browser', () => {
    const live = createEngine(shippedSheet('brindlow-s8'))
    const made = readCompiled(writeCompiled(compilePredictions(live.predictor)))!
    const evidence: Evidence[] = [{ type: 'complaint', complaint: live.machine.sheet.complaints[0]!.id }]
    const first = advise(live.predictor, evidence, 'best', 0)
    for (const name of ['exp', 'log', 'pow'] as const) {
      const own = Math[name] as (...x: number[]) => number
      vi.spyOn(Math, name).mockImplementation((...x: number[]) => own(...x) * (1 + Number.EPSILON))
    }
    const engine = createEngine(shippedSheet('brindlow-s8'))
    engine.predictor.provide(made)
    const runs = vi.spyOn(RunCache.prototype, 'record')
    expectSame(first, advise(engine.predictor, evidence, 'best', 0), 'elsewhere')
    expect(runs, 'runs of the machine').not.toHaveBeenCalled()
  })
  it('moves with the shop’s history of faults as live runs do', () => {
    const shopHistory = { machineYears: 40, cases: { 'lid.stuck-open': 9 } }
    const live = createEngine(shippedSheet('orrisk-tl22'), { shopHistory })
    const plain = createEngine(shippedSheet('orrisk-tl22'))
    const engine = provided(plain, withHistory(plain, shopHistory))
    const said: Evidence[] = [{ type: 'complaint', complaint: live.machine.sheet.complaints[0]!.id }]
    expectSame(advise(live.predictor, said), advise(engine.predictor, said), 'with a history')
  })
  it('is left alone where its text is cut off or of another form', () => {
    expect(readCompiled('{"form":1,"tests":[')).toBeUndefined()
    expect(readCompiled('{"form":0,"tests":[]}')).toBeUndefined()
    expect(readCompiled('')).toBeUndefined()
  })
})
