import { describe, expect, it } from 'vitest'
import { FIGURES, standsInBy, type Figured } from '../../../core/stock'

const coil: Figured = {
  number: 'TH-1',
  kind: 'inlet coil',
  substitutes: [],
  volts: '230 V',
  degrees: '',
  contact: '',
  thread: 'R 1/2',
}
const like = (more: Partial<Figured>): Figured => ({ ...coil, number: 'TH-2', ...more })

describe('one part for another', () => {
  it('of the same sort with every stated figure the same, however it is written', () => {
    expect(standsInBy(coil, like({ volts: '230V', thread: 'r1/2', kind: 'Inlet Coil' }))).toEqual(['volts', 'thread'])
    expect(standsInBy(coil, like({ degrees: '85 °C' }))).toEqual(['volts', 'thread'])
  })
  it('not with another figure, nor one that nobody wrote down, nor of another sort, nor itself', () => {
    for (const figure of FIGURES.filter((f) => coil[f])) {
      expect(standsInBy(coil, like({ [figure]: '24 V' })), figure).toBeUndefined()
      expect(standsInBy(coil, like({ [figure]: '' })), figure).toBeUndefined()
    }
    expect(standsInBy(coil, like({ kind: 'drain coil' }))).toBeUndefined()
    expect(standsInBy(coil, like({ number: 'th-1' }))).toBeUndefined()
    expect(standsInBy({ ...coil, kind: '' }, like({ kind: '' }))).toBeUndefined()
    const unstated = { ...coil, volts: '', thread: '' }
    expect(standsInBy(unstated, like({ volts: '', thread: '' }))).toBeUndefined()
  })
  it('a named one as well, whatever it states', () => {
    expect(standsInBy({ ...coil, substitutes: ['th-2'] }, like({ volts: '240 V' }))).toEqual(['named'])
  })
})
