import { describe, expect, it } from 'vitest'
import { findShipped } from '../../cli/library'
import { buildCatalogue, checkComplaints, checkUntested } from '../../core/diagnosis/catalogue'
import { buildMachine } from '../../core/model/machine'
import { edit, sheetOf } from '../core/support/sheets'
import { flatText, shippedMachines } from '../core/support/shipped'

const unheard = (text: string) => checkComplaints(buildCatalogue(buildMachine(sheetOf(text)))).map((p) => p.place.path.at(-1))

describe('complaints of the library', () => {
  it.each(shippedMachines())('%s: every one is brought about by some listed fault', (id) => {
    expect(unheard(findShipped(id)!.text)).toEqual([])
  })
  it('one that nothing brings about is named, and no other', () => {
    const text = findShipped('dishwasher')!.text
    const odd = 'fills-off: { says: Water runs in without end, when: ever (phase clean and tub.level > 170 mm) }'
    expect(unheard(edit(text, /fills-off: .*/.exec(text)![0], odd))).toEqual(['fills-off'])
  })
})

it('a test left out that there is none of is named', () => {
  const text = flatText('quenby-c40')
  const wrong = (from: string, to: string) =>
    checkUntested(buildCatalogue(buildMachine(sheetOf(edit(text, from, to))))).map((p) => [p.code, p.place.path.join('.')])
  expect(checkUntested(buildCatalogue(buildMachine(sheetOf(text))))).toEqual([])
  expect(wrong('untested: found level', 'untested: found levl')).toEqual([['unknown-test', 'parts.bin.untested']])
})
