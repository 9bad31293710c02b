import { describe, expect, it } from 'vitest'
import { uncertainWhenHealthy } from '../../benchmark/self-check'
import { findShipped } from '../../cli/library'
import { edit, predictorOf } from '../core/support/sheets'
import { shippedPredictor } from '../core/support/shipped'

/** That no shipped machine is named so is asked of each of them in `test/library/every-machine`. */
describe('tests that would show now this, now that on a healthy machine', () => {
  it('a float that stands where it switches is named as a toss-up', () => {
    const { text } = findShipped('quenby-c25')!
    const near = predictorOf(edit(text, 'rated: 2.2 L/min', 'rated: 1.6 L/min'))
    expect(uncertainWhenHealthy(near)).toContain('float.ohms')
  })
  it('a moment at which a timer may or may not have run out is named by what is read then', () => {
    const { text } = findShipped('ulldale-f6')!
    const early = predictorOf(edit(text, 'after: 3 min', 'after: 165 s'))
    expect(uncertainWhenHealthy(early)).toContain('drive-relay.click')
  })
  it('a float that goes to and fro is not measured where it happens to stand', () => {
    const { procedures } = shippedPredictor('ulldale-f9').catalogue
    const ids = procedures.map((x) => x.id)
    expect(ids).toContain('res-high.worked')
    expect(ids).not.toContain('res-high.ohms')
  })
})
