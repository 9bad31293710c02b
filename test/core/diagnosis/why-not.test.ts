import { describe, expect, it } from 'vitest'
import { advise, whyNot } from '../../../core/advice'
import type { Evidence } from '../../../core/evidence'
import { describeWhyNot } from '../../../core/words'
import { evidenceOf } from '../support/sheets'
import { shippedPredictor } from '../support/shipped'

const predictor = shippedPredictor('orrisk-tl40')
const { parts } = predictor.catalogue.machine
const indexOf = (id: string) => parts.findIndex((p) => p.id === id)
const why = (id: string, ...written: object[]) =>
  whyNot(predictor, written.flatMap((w) => evidenceOf(predictor, w)) as Evidence[], indexOf(id))
const called = { complaint: 'no-fill' }
const volts = { test: 'cold-valve.volts', reading: '118' }

describe('why not this part', () => {
  it('names the reading that cleared it, and with that one gone it is suspected again', () => {
    expect(why('board', called)).toEqual({ type: 'suspected' })
    const cleared = why('cold-out', called, volts)
    expect(cleared).toEqual({ type: 'cleared', by: [{ title: 'Volts at the cold valve', text: '118 V' }] })
    expect(describeWhyNot('cold output', cleared)).toBe('Why not the cold output? Volts at the cold valve: 118 V.')
    expect(why('cold-out', called)).toEqual({ type: 'suspected' })
  })
  it('what never explained the complaint was never suspected; what two readings say is said by both', () => {
    expect(why('drain-pump', called).type).toBe('never')
    const open = { test: 'cold-valve.ohms', reading: 'OL' }
    const look = { test: 'cold-stop.look', reading: 'yes' }
    expect(why('cold-stop', called, open).type).toBe('cleared')
    // Where two say the same, the one that says it plainest is named first.
    expect(why('cold-stop', called, look, open)).toMatchObject({
      type: 'cleared',
      by: [{ text: 'yes' }, { text: 'OL' }],
    })
  })
  it('says suspected of exactly what the list of suspects has', () => {
    const evidence = [called, volts].flatMap((w) => evidenceOf(predictor, w)) as Evidence[]
    const { belief } = advise(predictor, evidence, 'best', 0)
    for (const part of parts) {
      const mass = belief.hypotheses.reduce(
        (s, h, i) => s + (h.activeFaults.some((x) => x.fault.part === part.index) ? belief.posterior[i] : 0),
        0,
      )
      expect(whyNot(predictor, evidence, part.index).type === 'suspected', part.id).toBe(mass >= 0.01)
    }
  })
})
