import { describe, expect, it } from 'vitest'
import { buildMachine } from '../../core/model/machine'
import type { Sheet } from '../../core/model/sheet'
import { shipped, says, shows } from './support/changed-sheets'

describe('boiler steamer', () => {
  const s12 = shipped('brindlow-s12')
  it('drains itself when off: its float tells nothing dead, unless the drain is closed at rest', () => {
    const tells = (sheet: Sheet) => shows(sheet, 'cutoff.ohms') !== shows(sheet, 'cutoff.ohms', 'cutoff.stuck-open')
    expect(tells(s12)).toBe(false)
    expect(tells(shipped('brindlow-s12', ['probe-boiler', 'rest: open', 'rest: closed']))).toBe(true)
    expect([shows(s12, 'cutoff-in.lamp'), shows(s12, 'cutoff-in.lamp', 'cutoff.stuck-open')]).toEqual(['yes', 'no'])
  })
  it('water that does not conduct is not seen by the probes', () => {
    const machine = buildMachine(s12)
    expect(says(machine)).toEqual([])
    expect(says(machine, 'main.too-pure')).toContain('overfills')
  })
})
