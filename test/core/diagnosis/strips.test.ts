import { describe, expect, it } from 'vitest'
import { advise, Engine, reasons } from '../../../core/advice'
import type { Strip } from '../../../core/diagnosis/catalogue'
import { RepairCosts, testOutcomes } from '../../../core/diagnosis/plan'
import type { Predictor } from '../../../core/diagnosis/predict'
import type { Evidence } from '../../../core/evidence'
import { formatSuspect } from '../../../core/words'
import { DrawnMachine, random } from '../../../core/truth'
import { activeFaultsIn, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

const stripWith = ({ catalogue }: Predictor, test: string): Strip =>
  catalogue.strips.find((s) => s.rows.some((row) => row.id === test))!

const said = (complaint: string): Evidence[] => [{ type: 'complaint', complaint }]

/** Every row of a column as a machine that really stands there shows it. */
function readColumn(predictor: Predictor, strip: Strip, fault: string, severity?: number): Evidence[] {
  const faults = [activeFaultsIn(predictor.catalogue.machine, fault, severity)]
  const truth = new DrawnMachine(predictor.catalogue, faults, random(3), undefined, 0)
  return strip.rows.map((row) => ({ type: 'reading', test: row.id, value: truth.read(row), instrument: undefined }))
}

describe('a column of readings at one place', () => {
  it.each([
    ['ulldale-g6', 't1.loop', ['master-out.loop', 't2.loop', 't3.loop', 't4.loop', 't5.loop', 't6.loop']],
    ['ulldale-f6', 'bin-stat.to-return', ['high-pressure.to-return', 'overload.to-return']],
    ['tarvost-fl7', 'inlet-a.ohms', ['inlet-b.ohms', 'inlet-c.ohms']],
  ])('%s: %s stands in one with its like, whatever the names', (id, test, others) => {
    const [text, of] = underOtherNames(id)
    const { rows } = stripWith(predictorOf(text), of(test))
    expect(new Set(rows.map((row) => row.id))).toEqual(new Set([test, ...others].map(of)))
  })
  it('never joins what stands apart, is held by hand, or waits for another moment', () => {
    for (const id of ['ulldale-g6', 'ulldale-f6', 'quenby-c40', 'brindlow-s12']) {
      const { strips, machine } = shippedPredictor(id).catalogue
      for (const { rows } of strips) {
        const one = <T>(of: (row: Strip['rows'][number]) => T) =>
          new Set(rows.map((row) => JSON.stringify(of(row)))).size
        expect(
          one((r) => [r.needs.panels, r.needs.arrival, r.needs.power, r.meter, r.workMode, r.measurement.type]),
        ).toBe(1)
        for (const { measurement: m } of rows) {
          expect('part' in m && machine.parts[m.part].panel).toBeDefined()
          expect('held' in m && m.held).toBeFalsy()
        }
      }
    }
  })

  const predictor = shippedPredictor('ulldale-g6')
  const strip = stripWith(predictor, 't1.loop')
  it.each([
    ['one open', 'zone3-dry', 'run3.broken', undefined],
    ['one raised', 'zone3-dry', 'run3.corroded', 300],
    ['one near zero', 'stopped', 'v3.coil-shorted', 0.06],
    ['all open behind a box', 'beyond-a-dead', 'common-b.broken', undefined],
    ['two that touch', 'out-of-turn', 'apart12.touching', undefined],
  ] as const)('read jointly, %s leads to where it is', (_, complaint, fault, severity) => {
    const before = advise(predictor, said(complaint))
    const after = advise(predictor, [...said(complaint), ...readColumn(predictor, strip, fault, severity)])
    const of = ({ suspects }: typeof before) => suspects.find((s) => s.faults.length === 1 && s.faults[0].id === fault)!
    expect(of(after).p).toBeGreaterThan(1.5 * of(before).p)
    // The valve's own coil reads like the wire before it: of the two either may lead, a reading at the valve tells them.
    expect(after.suspects.slice(0, 2)).toContainEqual(of(after))
  })
  it('what is said of its patterns comes true when they are read', () => {
    const before = advise(predictor, said('some-dry'))
    const suggestion = before.plan.next.find((s) => s.strip?.id === strip.id)!
    const telling = reasons(predictor, before.belief, before.interpreted, suggestion, 8).filter((r) => r.p > 0.8)
    expect(telling.length).toBeGreaterThan(1)
    for (const { readings, leads, p } of telling) {
      const read = strip.rows.map((row, i): Evidence => ({
        type: 'reading',
        test: row.id,
        value: readings[i],
        instrument: undefined,
      }))
      const { suspects } = advise(predictor, [...said('some-dry'), ...read], 'best', 0)
      expect(formatSuspect(suspects[0].faults)).toBe(leads)
      expect(Math.abs(suspects[0].p - p)).toBeLessThan(0.15)
    }
  })
  it('has one price, less than its rows one after another', () => {
    const { accessPaths } = predictor.catalogue
    const { workState } = advise(predictor, said('some-dry')).interpreted
    let [state, minutes] = [workState, 0]
    for (const row of strip.rows) {
      const path = accessPaths.from(state, row)
      minutes += path.minutes
      state = path.after
    }
    const whole = accessPaths.from(workState, strip)
    expect(whole.minutes).toBeLessThan(minutes - 2)
    expect(whole.after).toEqual(state)
    // Live, one lead is clipped on for all of them.
    const chain = stripWith(predictor, 'case-fuse.to-return')
    expect(chain.needs.loosened.map((l) => l.type)).toEqual(['clips'])
  })
  it('a live tip goes from point to point behind a transformer alone, never on mains, and the card says how', () => {
    for (const id of ['orrisk-tl40', 'tarvost-fl7', 'brindlow-d6', 'brindlow-s12'])
      expect(shippedPredictor(id).catalogue.strips.filter((s) => s.workMode === 'energised')).toEqual([])
    const chain = stripWith(predictor, 'case-fuse.to-return')
    const card = new Engine(predictor).card(advise(predictor, said('all-dead'), 'best', 0), chain.id, undefined, 0)!
    expect(card.cautions.join(' ')).toMatch(/clipped to the return while it is dead/)
    expect(card.strip?.rows.map((row) => row.id)).toEqual(chain.rows.map((row) => row.id))
  })
  it.each([
    ['ulldale-g6', 'some-dry'],
    ['quenby-c40', 'no-water'],
    ['tarvost-fl7', 'no-fill'],
  ])('%s, %s: the patterns share out the belief and tell no less than any of their rows', (id, complaint) => {
    const own = id === 'ulldale-g6' ? predictor : shippedPredictor(id)
    const known = own.catalogue.machine.complaints.map((c) => c.id)
    const { belief } = advise(own, said(known.includes(complaint) ? complaint : known[0]))
    const { plan } = own.calibration
    const costs = RepairCosts.of(own.catalogue.machine, plan)
    const needed = belief.hypotheses.map((m) => m.activeFaults.map((x) => x.fault.repair))
    const later = (outcomes: ReturnType<typeof testOutcomes>) =>
      outcomes.reduce((s, o) => s + (o.p > 0 ? o.p * costs.toGo(needed, o.after, o.unknownFault / o.p) : 0), 0)
    for (const column of own.catalogue.strips) {
      const outcomes = testOutcomes(own, belief, column.rows)
      const counted = belief.posterior.filter((p) => p >= plan.negligiblePosterior).reduce((s, p) => s + p, 0)
      expect(outcomes.reduce((s, o) => s + o.p, 0)).toBeCloseTo(counted, 6)
      for (const o of outcomes.filter((x) => x.p > 0)) {
        expect(o.after.reduce((s, p) => s + p, 0)).toBeCloseTo(1, 9)
        expect([0, column.rows.length]).toContain(o.shown.length)
      }
      const best = Math.min(...column.rows.map((row) => later(testOutcomes(own, belief, [row]))))
      expect(later(outcomes), column.id).toBeLessThan(best * 1.01)
    }
  })
})
