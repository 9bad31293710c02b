import { describe, expect, it } from 'vitest'
import { findInRows, ROW_TOOLS } from '../../../core/measuring'
import { describeFinding, toolWords } from '../../../core/words'

describe('columns of readings read together', () => {
  const found = (id: string, values: (number | undefined)[], reference?: number) =>
    ROW_TOOLS.find((t) => t.id === id)!
      .findings(
        values.map((value, k) => ({ name: `${k + 1}`, value })),
        reference,
      )
      .map((f) => `${f.code} ${f.rows.join()}`)
  const OL = Infinity
  it('zones: each pattern that the trade knows', () => {
    expect(found('zone-survey', [OL, OL, OL, OL])).toEqual(['common 0,1,2,3'])
    expect(found('zone-survey', [34, 35, OL, 33])).toEqual(['run-open 2'])
    expect(found('zone-survey', [34, 2, 35, 33])).toEqual(['shorted 1'])
    expect(found('zone-survey', [34, 35, 18, 33])).toEqual(['doubled 2'])
    expect(found('zone-survey', [17.4, 34, 35, 17.5, 34, 33])).toEqual(['touching 0,3'])
    expect(found('zone-survey', [34, 35, 60, 33])).toEqual(['joint 2'])
    expect(found('zone-survey', [134, 135, 131, 133])).toEqual(['all-raised 0,1,2,3'])
    expect(found('zone-survey', [34, 35, 36, 33])).toEqual(['alike '])
    expect(found('zone-survey', [undefined, 34])).toEqual([])
  })
  it('a walk along switches: the first point without supply follows the open link, whatever is open behind it', () => {
    expect(found('series-walk', [230, 229, 0.4, 0.1], 230)).toEqual(['open-link 1,2'])
    expect(found('series-walk', [230, undefined, 0.4], 230)).toEqual(['open-link 0,2'])
    expect(found('series-walk', [230, 229, 228], 230)).toEqual(['closed 2'])
    expect(found('series-walk', [230, 150, 149], 230)).toEqual(['joint 0,1'])
    expect(found('series-walk', [0.2, 0.1], 230)).toEqual(['no-feed 0'])
    expect(found('series-walk', [230, 0.3, 228], 230)).toEqual(['contradicts 2'])
    expect(found('series-walk', [230], 0)).toEqual([])
  })
  it('what would not stand within what the meter may be off is said with less certainty, by the meter of whoever reads', () => {
    const rows = (values: number[]) => values.map((value, k) => ({ name: `${k + 1}`, value }))
    const walk = ROW_TOOLS.find((t) => t.id === 'series-walk')!
    // 197 V of 230 is there by a hair: 85.7 per cent.
    const edge = findInRows(walk, rows([230, 197]), 230)
    expect(edge).toEqual([{ code: 'closed', rows: [1], certainty: 'likely', wavers: true }])
    expect(findInRows(walk, rows([230, 197]), 230, { volts: 0.002 })[0]).toMatchObject({
      certainty: 'plain',
      wavers: false,
    })
    expect(findInRows(walk, rows([230, 229, 0.4]), 230)).toEqual([
      { code: 'open-link', rows: [1, 2], certainty: 'plain', wavers: false },
    ])
    const zones = ROW_TOOLS.find((t) => t.id === 'zone-survey')!
    expect(findInRows(zones, rows([34, 35, 20, 33]), undefined)[0]).toMatchObject({ code: 'doubled', wavers: true })
    expect(describeFinding('series-walk', edge[0]!, ['supply', 'valve'])).toContain('read it again')
  })
  it('say what they found of which rows, in words that every code has', () => {
    for (const tool of ROW_TOOLS) expect(toolWords(tool.id).labels.row).toBeTruthy()
    expect(
      describeFinding('zone-survey', { code: 'run-open', rows: [2], certainty: 'plain' }, ['a', 'b', 'Zone 3']),
    ).toBe('Zone 3. One open: that run, its splice or its coil.')
    expect(describeFinding('zone-survey', { code: 'touching', rows: [0, 1], certainty: 'likely' }, ['x', 'y'])).toBe(
      'x, y. Likely: two alike and half of the others: their wires touch.',
    )
  })
})
