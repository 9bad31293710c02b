import { describe, expect, it } from 'vitest'
import { buildMachine, type Machine } from '../../core/model/machine'
import { shipped, says, shows } from './support/changed-sheets'

describe('irrigation', () => {
  const six = shipped('ulldale-g6')
  it('a pilot valve with a blocked exhaust opens by its bleed and not by its plunger', () => {
    const byHand = (fault?: string) => ['v2.by-bleed', 'v2.by-plunger'].map((test) => shows(six, test, fault))
    expect(byHand()).toEqual(['yes', 'yes'])
    expect(byHand('v2.exhaust-blocked')).toEqual(['yes', 'no'])
  })
  it('a controller that still sends voltage at off is measured at the valve', () => {
    expect(shows(six, 'v3.idle-volts', 't3.stuck')).toBeGreaterThan(20)
    expect(shows(six, 'v3.idle-volts')).toBeLessThan(1)
  })
  it('a broken common kills every zone beyond it, whichever way the boxes follow one another', () => {
    const there = buildMachine(six)
    const turned = buildMachine(shipped('ulldale-g6s'))
    const dead = (machine: Machine, fault: string) => says(machine, fault).filter((id) => id.endsWith('dead'))
    expect(dead(there, 'common-b.broken')).toEqual(['beyond-a-dead'])
    expect(dead(there, 'common-c.broken')).toEqual(['beyond-b-dead'])
    expect(dead(turned, 'common-c.broken')).toEqual(['all-dead'])
    expect(dead(turned, 'common-a.broken')).toEqual(['beyond-b-dead'])
  })
})
