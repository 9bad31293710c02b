import { describe, expect, it } from 'vitest'
import { fits, suggest } from '../../../core/search'
import { findShipped, shippedIds } from '../../../cli/library'
import { readSheet } from '../../../core/model/sheet'
import { orThrow } from '../../../core/foundation/result'

const complaintsOf = (id: string) => {
  const { text, file } = findShipped(id)!
  return orThrow(readSheet(text, file, findShipped)).complaints
}

describe('what a customer says, in the words of the sheet', () => {
  it.each([
    ['top-load-washer', 'it wont fill up, no water at all', 'no-fill'],
    ['top-load-washer', 'there is a puddle on the floor under it', 'floor'],
    ['top-load-washer', 'blows the breaker every time, it trips', 'trips'],
    ['top-load-washer', 'takes ages to fill, far too long', 'slow'],
    ['top-load-washer', 'the water will not drain away', 'no-drain'],
    ['boiler-steamer', 'the heat lamp stays dark', 'lamp'],
    ['irrigation', 'nothing, no zone comes on', 'all-dead'],
  ])('%s: "%s" offers %s', (sheet, sentence, id) => {
    expect(suggest(complaintsOf(sheet), sentence).map((c) => c.id)).toContain(id)
  })
  it('a complaint in its own words is offered, on every shipped sheet, and words without a fault offer nothing', () => {
    let [all, found] = [0, 0]
    for (const id of shippedIds()) {
      const list = complaintsOf(id)
      for (const c of list) {
        const offered = suggest(list, c.words)
        all++
        if (offered.some((o) => o.id === c.id)) found++
      }
      expect(suggest(list, 'hello from the harbour')).toEqual([])
      expect(suggest(list, '')).toEqual([])
    }
    // One of many that mean the same to a layman (a zone each) may stand behind the four that are offered.
    expect(found / all).toBeGreaterThan(0.9)
  })
  it('finds a model typed apart, a zero for an O, a short word with a letter left out', () => {
    const unit = { words: ['Brindlow D-6, kitchen', 'Orrisk TL-40, laundry left'] }
    for (const asked of ['d 6', 'D6', 'lft', 'tl 4O', 'kitchn', 'TL4O left'])
      expect(fits(unit, asked), asked).toBeGreaterThan(0)
    expect(fits(unit, 'rgt')).toBe(0)
    expect(fits(unit, 'd 7')).toBe(0)
  })
})
