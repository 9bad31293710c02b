import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { orThrow } from '../../../core/foundation/result'
import { parseProbe } from '../../../core/diagnosis/catalogue'
import { evidenceOf, FAMILY, predictorOf, activeFaultsIn } from '../support/sheets'

describe('free probes', () => {
  const p = predictorOf(FAMILY)
  const ask = (text: string, instrument?: string, fault?: string) => {
    const procedure = orThrow(parseProbe(p.catalogue, text, instrument))
    return p.predict(
      fault ? p.hypothesisFor([activeFaultsIn(p.catalogue.machine, fault)]) : p.healthy,
      procedure,
      instrument,
    )
  }
  it('between any two points at any moment, with any meter for volts or ohms', () => {
    expect(ask('cold-valve.a to cold-valve.b at fill-hot')).toMatchObject({ type: 'value' })
    const walk = ['fuse.2', 'lid.2', 'cold-out.out', 'cold-valve.a'].map((point) => {
      const shown = ask(`${point} to mains.N at fill-cold`, 'volts', 'cold-plug.off')
      return shown.type === 'value' && shown.mean > 100
    })
    expect(walk).toEqual([true, true, true, false])
    expect(ask('fuse.1 to fuse.2', 'beeper')).toMatchObject({ type: 'sense', yes: 0.97 })
    expect(ask('sensor.out to sensor.com at fill-hot', 'volts-dc')).toMatchObject({ type: 'value' })
  })
  it('in-circuit ohms go by every path: the cold coil lies beside the board and the rest of its loop', () => {
    const shown = ask('cold-out.out to board.N', 'ohms')
    expect(shown.type).toBe('value')
    if (shown.type === 'value') expect(shown.mean).toBeCloseTo(780.2, 0)
  })
  it('what cannot be is refused with its reason', () => {
    const code = (text: string, instrument?: string) => {
      const read = parseProbe(p.catalogue, text, instrument)
      return read.ok ? 'fine' : read.problems[0].code
    }
    expect(code('fuse.1 to fuse.2 at fill-cold', 'ohms')).toBe('live-part')
    expect(code('ghost.1 to fuse.2')).toBe('unknown-part')
    expect(code('fuse.9 to fuse.2')).toBe('unknown-terminal')
    expect(code('fuse.1 to fuse.2 at noon')).toBe('unknown-phase')
    expect(code('fuse.1 to fuse.2', 'gauge')).toBe('wrong-shape')
    expect(code('fuse.1')).toBe('wrong-shape')
  })
  it('count as evidence like any test', () => {
    const evidence = evidenceOf(
      p,
      { complaint: 'no-fill' },
      { probe: 'lid.2 to mains.N at fill-cold', reading: '0.3' },
      { probe: 'fuse.2 to mains.N at fill-cold', reading: '119' },
      { probe: 'lid.1 to mains.N at fill-cold', instrument: 'neon', reading: 'yes' },
    )
    expect(advise(p, evidence).suspects[0].faults.map((f) => f.id)).toEqual(['lid.stuck-open'])
  })
})
