import { describe, expect, it } from 'vitest'
import { advise, type Advice } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
import { DrawnMachine, random } from '../../../core/truth'
import { careful, followAdvice } from '../support/play'
import { activeFaultsIn, evidenceOf, predictorOf } from '../support/sheets'
import { underEveryName, shippedPredictor } from '../support/shipped'

/** A call: the machine, what the customer says, what is wrong with it (and how much), and what puts it right. */
const CALLS: [string, string, string, string, string, number?][] = [
  ['a burnt lid contact that hums', 'orrisk-tl40', 'hums', 'lid.burnt', 'new-lid-switch', 1500],
  ['a burnt contact of the door lock', 'tarvost-fl7', 'no-water', 'door-lock.contact-burnt', 'new-lock'],
  ['a hanging waste hose that “keeps filling”', 'orrisk-tl40', 'empties', 'standpipe.low', 'hang-hose', 0.03],
  ['a hanging waste hose that leaves the dishes dirty', 'brindlow-d6', 'dirty', 'waste.low', 'hang-hose', 0.03],
  ['a leak code and a tray wet from the door boot', 'tarvost-fl7', 'leak-code', 'boot.weeps', 'new-boot'],
  ['a door switch of 500 Ω', 'brindlow-d6', 'dirty', 'door-b.burnt', 'new-door-switch', 520],
  ['a hot-gas valve that leaks', 'quenby-c40', 'not-cold', 'gas-valve.leaks', 'call-refrigeration'],
  ['a clogged condenser', 'quenby-c40', 'not-cold', 'fins.dirty', 'clean-condenser', 0.3],
  ['a seized drive with its overload tripped', 'ulldale-f9', 'no-run-lamp', 'auger.seized', 'new-drive'],
  ['a burnt contact of the fill relay', 'ulldale-f9', 'low-level', 'res-latch.contact-burnt', 'res-new-latch'],
  ['a scaled low probe', 'brindlow-s12', 'full-no-heat', 'boiler-low.scaled', 'boiler-clean-probes'],
  ['water too pure for the probes', 'brindlow-s12', 'overfills', 'main.too-pure', 'mix-water', 0.0008],
  ['a corroded common', 'ulldale-g6', 'beyond-a-dead', 'common-b.corroded', 'new-splice', 150],
  ['the shorted coil of a zone', 'ulldale-g6', 'stopped', 'v3.coil-shorted', 'new-solenoid', 0.1],
  ['a dead outlet', 'orrisk-tl40', 'dead', 'mains.dead', 'restore-supply'],
  ['a heater that trips the breaker', 'tarvost-fl7', 'trips', 'heater-earth.weak', 'new-heater', 1500],
]

describe('a machine that is dead', () => {
  it.each([
    ['orrisk-tl40', 'dead'],
    ['brindlow-d6', 'dead'],
    ['brindlow-s12', 'dead'],
    ['tarvost-fl7', 'dead'],
    ['quenby-c40', 'dead'],
    ['ulldale-f9', 'dead'],
    ['ulldale-g6', 'all-dead'],
  ])('%s: is looked at for its power first, not for its water', (id, complaint) => {
    const predictor = shippedPredictor(id)
    const { machine } = predictor.catalogue
    const [first] = advise(predictor, evidenceOf(predictor, { complaint })).plan.next
    const { measurement: m, workMode } = first.procedure
    expect(workMode).not.toBe('water')
    // Whether a coil hums is a question to the power that should be on it.
    const asksWater = 'part' in m && machine.parts[m.part].line === 'water' && !('signal' in m && m.signal === 'hums')
    expect(asksWater, first.procedure.id).toBe(false)
  })
})

/** All that an advice comes to, by places instead of names. */
const numbersOf = ({ belief, plan }: Advice) => ({
  belief: [...belief.posterior, belief.unknownFault, belief.truncatedMass],
  next: plan.next.map((s) => [s.procedure.index, s.strip?.rows.length, s.minutes, s.saving]),
  remedies: plan.remedies.map((r) => [r.repair, r.p]),
  stop: plan.stop,
})

describe('calls from the customer’s words to what puts it right, on readings a real machine gives', () => {
  it.each(CALLS)('%s (%s)', (_, id, complaint, fault, remedy, severity) => {
    const [[whole], [renamed, of]] = underEveryName(id)
    const predictor = predictorOf(whole)
    const { machine } = predictor.catalogue
    const active = [activeFaultsIn(machine, fault, severity)]
    const truth = new DrawnMachine(predictor.catalogue, active, random(11), undefined, 0)
    expect(truth.complaints()).toContain(complaint)
    // Meters with their own errors, in the hands of somebody whose eyes and ears are not mistaken.
    const { advice, evidence } = followAdvice(predictor, complaint, careful(truth))
    const [best] = advice.plan.remedies
    const log = evidence.map((e) => (e.type === 'reading' ? `${e.test} ${JSON.stringify(e.value)}` : '')).join(', ')
    expect(machine.repairs[best.repair].id, log).toBe(remedy)
    expect(best.p, log).toBeGreaterThan(0.5)
    expect(evidence.length, log).toBeLessThan(16)
    // At the end it is the same advice, to the last digit, whatever the names: asked once of each machine.
    if (CALLS.find(([, machine]) => machine === id)?.[3] !== fault) return
    const named = evidence.map((e): Evidence => {
      if (e.type === 'complaint') return { ...e, complaint: of(e.complaint) }
      if (e.type !== 'reading') return e
      const value = e.value.type === 'word' ? { ...e.value, word: of(e.value.word) } : e.value
      return { ...e, test: of(e.test), value }
    })
    const other = predictorOf(renamed)
    expect(other.catalogue.machine.parts.some((p) => machine.partIndex.has(p.id))).toBe(false)
    expect(numbersOf(advise(other, named))).toEqual(numbersOf(advise(predictor, evidence)))
  })
})
