import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { createEngine, decide, newPartChecks, proofsFor, type Engine } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { Predictor } from '../../../core/diagnosis/predict'
import type { Machine } from '../../../core/model/machine'
import { readSheet } from '../../../core/model/sheet'
import { random } from '../../../core/truth'

const engineOf = (id: string): Engine => {
  const { text, file } = findShipped(id)!
  return createEngine(orThrow(readSheet(text, file, findShipped)))
}
const AS_IS = { hour: 60, prices: {} }

/** Calls in which the trade differs about what to do. */
const CALLS = [
  ['tarvost-e7', [{ complaint: 'no-water' }, { test: 'valve.ohms', reading: 'OL' }]],
  ['tarvost-e9', [{ complaint: 'no-water' }, { test: 'valve.ohms', reading: 'OL' }]],
] as const

/** The same machine with other figures for its repairs, and the advice as it was: what is known does not hang on them. */
const withRepairs = ({ predictor }: Engine, change: (r: Machine['repairs'][number]) => object): Predictor => {
  const { catalogue, calibration } = predictor
  const repairs = catalogue.machine.repairs.map((r) => ({ ...r, ...change(r) }))
  return new Predictor({ ...catalogue, machine: { ...catalogue.machine, repairs } }, calibration)
}

describe('what each repair comes to', () => {
  it.each(CALLS)(
    '%s: where another would come cheaper, it does on the far side and not on the near one',
    (id, evidence) => {
      const engine = engineOf(id)
      const advice = engine.advise(orThrow(engine.read(evidence)))
      const { options } = decide(engine.predictor, advice, AS_IS)
      const [cheapest] = options
      let looked = 0
      for (const other of options)
        for (const { figure, at, now } of other.tippings) {
          if (figure !== 'price' && figure !== 'holds') continue
          looked++
          const further = 0.02 * (at - now)
          for (const [value, cheaper] of [
            [at + further, true],
            [at - further, false],
          ] as const) {
            const field = figure === 'price' ? { price: value } : { successProbability: value }
            const changed = withRepairs(engine, (r) => (r.id === other.id ? field : {}))
            const now = decide(changed, advice, AS_IS).options
            const total = (name: string) => now.find((o) => o.id === name)!.total
            expect(total(other.id) < total(cheapest!.id), `${other.id} ${figure} ${value}`).toBe(cheaper)
          }
        }
      expect(looked).toBeGreaterThan(0)
    },
  )

  it('the price of a new part moves what it comes to by as much, and an hour that costs twice as much the rest', () => {
    const engine = engineOf('tarvost-e7')
    const advice = engine.advise(orThrow(engine.read(CALLS[0][1])))
    const valve = (costs: typeof AS_IS) =>
      decide(engine.predictor, advice, costs).options.find((o) => o.id === 'new-valve')!
    const [plain, dearer] = [valve(AS_IS), valve({ ...AS_IS, prices: { 'new-valve': 68 } })]
    expect(dearer.of.part - plain.of.part).toBeCloseTo(30, 9)
    expect(dearer.of.work).toBe(plain.of.work)
    const rich = valve({ hour: 120, prices: {} })
    expect(rich.of.work).toBeCloseTo(2 * plain.of.work, 9)
    expect(rich.of.callBack).toBeCloseTo(2 * plain.of.callBack, 9)
    expect(rich.of.part).toBe(plain.of.part)
  })

  it('agrees with machines that are drawn from the belief and repaired one after another until they work', () => {
    const engine = engineOf('tarvost-e7')
    const advice = engine.advise(orThrow(engine.read(CALLS[0][1])))
    const { plan: c } = engine.predictor.calibration
    const { repairs } = engine.machine
    const { belief } = advice
    const [first] = decide(engine.predictor, advice, AS_IS).options
    const chosen = repairs.find((r) => r.id === first!.id)!
    const next = random(11)
    const draw = () => {
      let left = next() * (belief.posterior.reduce((a, b) => a + b, 0) + belief.unknownFault)
      return belief.hypotheses.find((_, i) => (left -= belief.posterior[i]!) < 0)
    }
    const one = (r: (typeof repairs)[number]) =>
      r.minutes + r.price + c.prove + (next() < r.successProbability ? 0 : c.callBack) + (r.licensed ? c.callOut : 0)
    let [sum, squares] = [0, 0]
    const rounds = 60_000
    for (let k = 0; k < rounds; k++) {
      const truth = draw()
      let cost = chosen.minutes + chosen.price + c.prove
      const left = (truth?.activeFaults ?? []).filter((a) => !a.fault.curedBy.includes(chosen.index))
      const works = truth !== undefined && truth.activeFaults.length > 0 && !left.length
      if (works && next() >= chosen.successProbability) cost += c.callBack
      if (!works) cost += chosen.price > 0 ? c.wrongPart : 0
      // What is still in it is known then: the repairs that it needs are done, and what no repair cures is given up.
      if (truth) for (const r of new Set(left.map((a) => a.fault.repair))) cost += one(repairs[r]!)
      else cost += c.giveUp
      sum += cost
      squares += cost * cost
    }
    const mean = sum / rounds
    const error = 3 * Math.sqrt((squares / rounds - mean * mean) / rounds)
    // Whoever does not know tries in vain besides: never less than with full knowledge, nor without bound.
    expect(first!.total).toBeGreaterThan(mean - error)
    expect(first!.total).toBeLessThan(2 * mean)
  })
})

describe('what has to hold, and what of a new part is proved', () => {
  it('follows from what hands did: nothing earthed on a battery, no leak behind a fuse, limits where it heats', () => {
    const ids = (id: string, repair: string) => {
      const { machine, catalogue } = engineOf(id)
      return proofsFor(
        catalogue,
        machine.repairs.findIndex((r) => r.id === repair),
      ).map((p) => p.id)
    }
    expect(ids('ulldale-b3', 'left-new-coil')).toEqual(['meter', 'cycle', 'leak', 'covers'])
    const fuse = ids('orrisk-tl40', 'new-fuse')
    expect(fuse).toEqual(expect.arrayContaining(['earth', 'insulation', 'covers', 'cycle']))
    expect(fuse).not.toContain('leak')
    expect(ids('brindlow-s12', 'boiler-clean-probes').filter((p) => p.startsWith('limit:')).length).toBeGreaterThan(0)
    expect(ids('orrisk-tl40', 'new-fuse').some((p) => p.startsWith('limit:'))).toBe(false)
    // Work of licensed people is theirs to prove.
    const g6 = engineOf('ulldale-g6').machine.sheet.repairs
    const licensed = g6.find((r) => r.licensed !== undefined)!
    expect(ids('ulldale-g6', licensed.id)).toEqual([])
  })

  it('a good coil of the sheet passes its own check, one of another voltage does not', () => {
    const { machine } = engineOf('tarvost-e7')
    const index = machine.repairs.findIndex((r) => r.id === 'new-coil')
    const ohms = newPartChecks(machine, index).find((c) => c.good.type === 'range')!
    const { nominal } = machine.params[machine.parts[machine.partIndex.get('valve')!]!.param.ohms!]!
    const good = ohms.good as { least: number; most: number }
    expect(nominal).toBeGreaterThan(good.least)
    expect(nominal).toBeLessThan(good.most)
    // Impedance grows with the square of the voltage: half the volts, a quarter of the ohms.
    expect(nominal / 4).toBeLessThan(good.least)
    expect(
      newPartChecks(
        machine,
        machine.repairs.findIndex((r) => r.id === 'clean-valve'),
      ),
    ).toEqual([])
  })
})
