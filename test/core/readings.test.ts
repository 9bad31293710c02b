import { describe, expect, it } from 'vitest'
import { random } from '../../bench/random'
import { TrueMachine } from '../../bench/true-machine'
import { mini, predictorOf, activeFaultsIn } from './sheets'

/** Room for what 10 ms steps and a moment read up to one step late may do to a value. */
const NEAR = { share: 2e-3, length: 3e-4, time: 0.05 }

describe('every test of a machine: what the engine predicts is what the plain simulator shows', () => {
  const cases: [string, (string | [string, number])[][]][] = [
    ['interlocks', [[], ['bin.stuck-open'], ['relay.contact-burnt'], ['bin.stuck-open', 'drive.winding-open']]],
    ['irrigation', [[], ['common-b.broken'], [['common-b.corroded', 40]], ['v3.coil-open', 'run2.broken']]],
    ['boiler', [[], ['low.scaled'], ['cutoff.stuck-open', 'tap.shut']]],
    ['heater-tank', [['stat.opens-early'], ['tap.shut']]],
  ]
  it.each(cases)('%s', (name, sets) => {
    const p = predictorOf(mini(name))
    let compared = 0
    for (const set of sets) {
      const activeFaults = set.map((f) =>
        typeof f === 'string' ? activeFaultsIn(p.bench.machine, f) : activeFaultsIn(p.bench.machine, ...f),
      )
      const truth = new TrueMachine(p.bench, activeFaults, random(1), 'none')
      const member = activeFaults.length ? p.trial(activeFaults) : p.healthy
      for (const procedure of p.bench.procedures) {
        if (procedure.what.is === 'probe' && procedure.what.probe.what === 'worked') continue
        const label = `${name}, ${set.join(' and ') || 'healthy'}, ${procedure.id}`
        const mine = p.predict(member, procedure)
        const shown = truth.exact(procedure)
        compared++
        if (mine.is === 'sense') expect(mine.yes > 0.5 ? 'yes' : 'no', label).toBe(shown.is)
        else if (mine.is === 'word') expect(shown, label).toMatchObject({ is: 'word', word: mine.word })
        else if (mine.is === 'value' && shown.is === 'value') {
          const dimension = procedure.shape.takes === 'number' ? procedure.shape.dimension : 'count'
          const floor = dimension === 'length' ? NEAR.length : dimension === 'time' ? NEAR.time : 1e-4
          expect(Math.abs(mine.mean - shown.si), `${label}: ${mine.mean} against ${shown.si}`).toBeLessThanOrEqual(
            NEAR.share * Math.abs(shown.si) + floor,
          )
        } else expect(mine.is, label).toBe(shown.is)
      }
    }
    expect(compared).toBeGreaterThan(20)
  })
})
