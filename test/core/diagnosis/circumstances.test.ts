import { describe, expect, it } from 'vitest'
import { findShipped, shippedIds } from '../../../cli/library'
import { advise, Engine } from '../../../core/advice'
import { CIRCUMSTANCE_IDS, CIRCUMSTANCES, KINDS } from '../../../core/model/kinds'
import { readSheet } from '../../../core/model/sheet'
import { edit, evidenceOf, predictorOf } from '../support/sheets'
import { underOtherNames, shippedPredictor } from '../support/shipped'

describe('what is said of the days before', () => {
  it.each([
    ['tarvost-fl5', 'slow', 'moved', 'standpipe.low'],
    ['brindlow-d6', 'dirty', 'moved', 'waste.low'],
    ['orrisk-tl40', 'no-cold', 'plumbing', 'cold-stop.shut'],
  ])(
    '%s, "%s" and %s: %s gains, by as much as it is said more often with it, whatever the names',
    (id, complaint, said, fault) => {
      const [text, of] = underOtherNames(id)
      const predictor = predictorOf(text)
      const { sheet, faults } = predictor.catalogue.machine
      const known = sheet.complaints.some((c) => c.id === of(complaint)) ? of(complaint) : sheet.complaints[0].id
      const shares = (...more: object[]) => {
        const { belief } = advise(predictor, evidenceOf(predictor, { complaint: known }, ...more), 'best', 0)
        const p = (want: (f: string) => boolean) =>
          belief.hypotheses.reduce((s, h, i) => {
            const [one] = h.activeFaults
            const plain = h.activeFaults.length === 1 && one.missProbability === undefined
            return plain && want(one.fault.id) ? s + belief.posterior[i] : s
          }, 0)
        // Against a fault that says nothing of it.
        const silent = faults.find(
          (f) => f.saidWith[said as 'moved'] === undefined && f.id !== of(fault) && p((x) => x === f.id) > 0,
        )!
        return p((x) => x === of(fault)) / p((x) => x === silent.id)
      }
      const factor = shares({ circumstance: said }) / shares()
      const own = faults.find((f) => f.id === of(fault))!.saidWith[said as 'moved']!
      expect(factor).toBeCloseTo(own / CIRCUMSTANCES[said as 'moved'].usual, 6)
      // Said twice it is said once.
      expect(shares({ circumstance: said }, { circumstance: said })).toBeCloseTo(shares({ circumstance: said }), 12)
    },
  )
  it('convicts nobody by itself, and nothing unlisted is starved by it', () => {
    for (const id of shippedIds()
      .filter((x) => /^(tarvost|brindlow|orrisk|quenby|ulldale)/.test(x))
      .slice(0, 6)) {
      const predictor = shippedPredictor(id)
      for (const said of CIRCUMSTANCE_IDS)
        for (const { id: complaint } of predictor.catalogue.machine.sheet.complaints.slice(0, 3)) {
          const with_ = advise(predictor, evidenceOf(predictor, { complaint }, { circumstance: said }), 'best', 0)
          const without = advise(predictor, evidenceOf(predictor, { complaint }), 'best', 0)
          expect(with_.belief.unknownFault).toBeGreaterThan(0.3 * without.belief.unknownFault)
        }
    }
  })
  it('is one of a closed list: another is refused with what would be understood, and so is a share that is none', () => {
    const engine = new Engine(shippedPredictor('orrisk-tl40'))
    const refused = engine.read([{ circumstance: 'haunted' }])
    expect(refused.ok).toBe(false)
    if (!refused.ok) expect(refused.problems[0]).toMatchObject({ code: 'unknown-circumstance', found: 'haunted' })
    const text = findShipped('top-load-washer')!.text
    const wrong = (said: string) =>
      readSheet(edit(text, 'said: { moved: 60 %, plumbing: 20 % }', `said: ${said}`), 'x.yaml', findShipped)
    expect(wrong('{ moved: 60 % }').ok).toBe(true)
    for (const said of ['{ moved: 160 % }', '{ moved: 0 % }', '{ haunted: 5 % }', '{ moved: 3 V }'])
      expect(wrong(said).ok, said).toBe(false)
    for (const kind of KINDS)
      for (const f of Object.values(kind.faults ?? {}))
        for (const share of Object.values(f.saidWith ?? {})) expect(share).toBeLessThan(1)
  })
})
