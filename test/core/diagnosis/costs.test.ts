import { describe, expect, it } from 'vitest'
import { shippedIds } from '../../../cli/library'
import { advise } from '../../../core/advice'
import { STANDARD } from '../../../core/diagnosis/calibration'
import { RepairCosts } from '../../../core/diagnosis/plan'
import { interpretEvidence } from '../../../core/diagnosis/belief'
import type { WorkState } from '../../../core/diagnosis/catalogue'
import { describeStep } from '../../../core/words'
import { evidenceOf, predictorOf } from '../support/sheets'
import { flatText, shippedPredictor } from '../support/shipped'

const start: WorkState = { power: 'on', open: [], loosened: [], running: undefined, asFound: false }
const washer = shippedPredictor('tarvost-fl5')

describe('what a test costs', () => {
  it('once a joint is undone or leads are off, what else is done there costs only itself', () => {
    const { procedures, accessPaths, machine } = shippedPredictor('orrisk-tl40').catalogue
    const find = (id: string) => procedures.find((p) => p.id === id)!
    const [look, torn, ohms, worked] = ['cold-screen.look', 'cold-screen.torn', 'lid.ohms', 'lid.worked'].map(find)
    const first = accessPaths.from(start, look)
    expect(first.steps.map((s) => s.type)).toEqual(['isolate', 'loosen', 'loosen'])
    expect(accessPaths.from(first.after, torn)).toMatchObject({ steps: [], minutes: torn.minutes })
    const leads = accessPaths.from(start, ohms)
    expect(leads.steps.at(-1)).toMatchObject({ type: 'loosen', what: 'leads' })
    expect(accessPaths.from(leads.after, worked)).toMatchObject({ steps: [], minutes: worked.minutes })
    expect(describeStep(machine, leads.steps.at(-1)!)).toMatch(/leads of the lid switch/)
    // A program takes its water through the hose: it is back on by then.
    const fill = accessPaths.from(first.after, find('fill-cold.lasts'))
    expect(accessPaths.from(fill.after, look).steps.some((s) => s.type === 'loosen')).toBe(true)
  })
  it('isolating takes what the safety steps of the sheet take', () => {
    const isolating = (text: string) => {
      const { procedures, accessPaths } = predictorOf(text).catalogue
      const path = accessPaths.from(
        start,
        procedures.find((p) => p.id === 'heater.ohms')!,
      )
      return path.steps.find((s) => s.type === 'isolate')!.minutes
    }
    const steamer = flatText('brindlow-s12')
    const cold = steamer.replace(/(id: steam\b[\s\S]*?minutes: )6 min/, (_, before: string) => `${before}1 min`)
    expect(cold).not.toBe(steamer)
    expect(isolating(steamer) - isolating(cold)).toBeCloseTo(5, 9)
    // Nothing has to cool down at a washer.
    expect(isolating(flatText('tarvost-fl5'))).toBeLessThan(isolating(cold) + 1)
  })
  it('leads that came off are back on once a reading or an act has put the power on, and hoses once a program runs', () => {
    const predictor = shippedPredictor('orrisk-tl40')
    const { procedures, accessPaths } = predictor.catalogue
    const find = (id: string) => procedures.find((p) => p.id === id)!
    const after = (...entries: object[]) =>
      interpretEvidence(predictor.catalogue, evidenceOf(predictor, ...entries)).workState
    const takesOff = (state: WorkState, id: string) =>
      accessPaths.from(state, find(id)).steps.some((s) => s.type === 'loosen')
    const ohms = { test: 'lid.ohms', reading: '0.1 Ω' }
    expect(takesOff(after(ohms), 'lid.worked')).toBe(false)
    expect(takesOff(after(ohms, { test: 'cold-valve.volts', reading: '120 V' }), 'lid.worked')).toBe(true)
    expect(takesOff(after(ohms, { action: 'restore' }), 'lid.worked')).toBe(true)
    const screen = { test: 'cold-screen.look', reading: 'no' }
    expect(takesOff(after(screen), 'cold-screen.torn')).toBe(false)
    expect(takesOff(after(screen, { test: 'fill-cold.lasts', reading: '60 s' }), 'cold-screen.torn')).toBe(true)
    expect(takesOff(after(screen, { action: 'restore' }, { action: 'start warm' }), 'cold-screen.torn')).toBe(true)
  })
  it('a meter is clipped on dead, each time, before a live reading', () => {
    const { procedures, accessPaths } = shippedPredictor('orrisk-tl40').catalogue
    const [one, two] = ['cold-valve.volts', 'hot-valve.volts'].map((id) => procedures.find((p) => p.id === id)!)
    const way = accessPaths.from(start, one)
    expect(way.steps.map((s) => s.type)).toEqual(['isolate', 'open', 'loosen', 'restore', 'start', 'wait'])
    const again = accessPaths.from(way.after, two).steps.map((s) => s.type)
    expect(again).toEqual(['isolate', 'loosen', 'restore', 'start', 'wait'])
  })
  it('behind a valve that needs power the water is measured with the machine on, hose and bucket placed dead', () => {
    const { procedures, accessPaths } = washer.catalogue
    const behind = procedures.filter((p) => p.workMode === 'water' && p.needs.power === 'on')
    expect(behind.map((p) => p.id)).toContain('supply-hose.pressure')
    for (const p of behind) {
      const types = accessPaths.from(start, p).steps.map((s) => s.type)
      expect(types.indexOf('isolate')).toBeLessThan(types.indexOf('loosen'))
      expect(types.at(-1), p.id).toBe('restore')
    }
    // Where no valve that needs power lies before it, the machine may be dead.
    const plain = shippedPredictor('orrisk-tl40').catalogue.procedures.find((p) => p.id === 'cold-hose.bucket')!
    expect(plain.needs.power).toBe('any')
  })
  it('a timing costs what it will probably take: as long as the leading suspects make it, up to somebody’s patience', () => {
    const predictor = shippedPredictor('orrisk-tl40')
    const { machine, procedures } = predictor.catalogue
    const { overrunWaited } = STANDARD.plan
    let tried = 0
    for (const { id: complaint } of machine.sheet.complaints) {
      const { belief, plan } = advise(predictor, evidenceOf(predictor, { complaint }))
      for (const s of plan.next.filter((x) => x.procedure.measurement.type === 'duration')) {
        const { measurement, run } = s.procedure
        if (measurement.type !== 'duration') continue
        const length = (h: (typeof belief.hypotheses)[number]) => {
          const { from, to } = predictor.run(h, run).phases[measurement.phase]
          return { from, to }
        }
        const healthy = length(predictor.healthy)
        const patience = healthy.to - healthy.from + overrunWaited * 60
        let [sum, mass] = [0, 0]
        belief.hypotheses.forEach((h, i) => {
          const p = belief.posterior[i]
          if (p < STANDARD.plan.negligiblePosterior) return
          const { from, to } = length(h)
          mass += p
          sum += p * (Number.isNaN(from) ? healthy.from : from + Math.min(to - from, patience))
        })
        tried++
        expect(s.overrun, s.procedure.id).toBeCloseTo((sum / mass - healthy.to) / 60, 6)
      }
    }
    expect(tried).toBeGreaterThan(20)
    expect(procedures.length).toBeGreaterThan(50)
  })
  it('licensed people have to be called: their work costs their call-out, and is never the quick thing to do', () => {
    const predictor = shippedPredictor('quenby-c25')
    const { machine } = predictor.catalogue
    const licensed = machine.repairs.filter((r) => r.licensed)
    expect(licensed.length).toBeGreaterThan(0)
    const costs = RepairCosts.of(machine, STANDARD.plan)
    for (const r of licensed) expect(costs.repair[r.index]).toBeGreaterThanOrEqual(r.minutes + STANDARD.plan.callOut)
    for (const { id: complaint } of machine.sheet.complaints) {
      const { plan } = advise(predictor, evidenceOf(predictor, { complaint }), 'best', 0)
      if (machine.repairs[plan.remedies[0].repair].licensed) expect(plan.state).not.toBe('quicker-done')
    }
  })
})

describe.each(shippedIds())('%s: what hands do', (id) => {
  it('decides what comes first: nothing is opened, undone or put on a terminal as a mere look', () => {
    const { procedures, accessPaths } = shippedPredictor(id).catalogue
    for (const p of procedures) {
      const path = accessPaths.from({ ...start, asFound: true }, p)
      const hands = path.steps.some((s) => s.type === 'open' || s.type === 'loosen')
      if (hands || p.needs.panels.length) expect(p.workMode, p.id).not.toBe('observe')
      // Whatever comes off or is opened, comes off with the power off.
      const at = path.steps.findIndex((s) => s.type === 'open' || s.type === 'loosen')
      if (at >= 0)
        expect(
          path.steps.slice(0, at).some((s) => s.type === 'isolate'),
          p.id,
        ).toBe(true)
      if (p.workMode === 'energised') expect(p.needs.power, p.id).toBe('on')
      if (p.workMode === 'isolated') expect(p.needs.power, p.id).toBe('off')
    }
  })
})
