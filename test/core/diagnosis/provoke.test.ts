import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { DrawnMachine, random } from '../../../core/truth'
import { careful, followAdvice } from '../support/play'
import { evidenceOf, predictorOf } from '../support/sheets'
import { flatText, underEveryName } from '../support/shipped'

describe('what comes and goes, and rests just now', () => {
  it('a plug is flexed dead with the meter across it before anything is changed for it, whatever the names', () => {
    for (const [text, of] of underEveryName('orrisk-tl40')) {
      const predictor = predictorOf(text)
      const { catalogue } = predictor
      const fault = catalogue.machine.faults.find((f) => f.id === of('cold-plug.corroded'))!
      const truth = new DrawnMachine(catalogue, [{ fault, severity: 800, missProbability: 0.4 }], random(3), 'none', 0)
      const { advice, evidence } = followAdvice(predictor, of('no-fill'), careful(truth), 'now-and-then')
      const flexed = `${of('cold-plug')}.flexed`
      expect(evidence.some((e) => e.type === 'reading' && e.test === flexed)).toBe(true)
      expect(advice.suspects[0].faults.map((f) => f.id)).toEqual([fault.id])
      expect(advice.plan.state).toBe('cause-stands')
    }
  })
  it.each([
    ['brindlow-d6', 'no-water', 'fill-plug'],
    ['ulldale-g6', 'beyond-a-dead', 'common-b'],
  ])('%s, "%s": the meter that jumps convicts the %s, one that stays clears it', (id, complaint, part) => {
    const predictor = predictorOf(flatText(id))
    const test = `${part}.flexed`
    const share = (...readings: object[]) => {
      const said = evidenceOf(predictor, { complaint }, { circumstance: 'now-and-then' }, ...readings)
      const { suspects } = advise(predictor, said, 'best', 0)
      return suspects.filter((s) => s.faults.some((f) => f.id === `${part}.corroded`)).reduce((sum, s) => sum + s.p, 0)
    }
    expect(share({ test, reading: '7/10' })).toBeGreaterThan(0.5)
    expect(share({ test, reading: '10/10' })).toBeLessThan(share() / 2)
    // Nothing comes off for it, and nothing is under power.
    const { workMode, needs } = predictor.catalogue.procedures.find((p) => p.id === test)!
    expect([workMode, needs.loosened]).toEqual(['isolated', []])
  })
})
