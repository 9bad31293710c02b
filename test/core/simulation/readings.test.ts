import { describe, expect, it } from 'vitest'
import { random, DrawnMachine } from '../../../core/truth'
import { mini, predictorOf, activeFaultsIn } from '../support/sheets'

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
        typeof f === 'string' ? activeFaultsIn(p.catalogue.machine, f) : activeFaultsIn(p.catalogue.machine, ...f),
      )
      const truth = new DrawnMachine(p.catalogue, activeFaults, random(1), 'none')
      const member = activeFaults.length ? p.hypothesisFor(activeFaults) : p.healthy
      for (const procedure of p.catalogue.procedures) {
        if (procedure.measurement.type === 'worked') continue
        const label = `${name}, ${set.join(' and ') || 'healthy'}, ${procedure.id}`
        const mine = p.predict(member, procedure)
        const shown = truth.exact(procedure)
        compared++
        if (mine.type === 'sense') expect(mine.yes > 0.5 ? 'yes' : 'no', label).toBe(shown.type)
        else if (mine.type === 'word') expect(shown, label).toMatchObject({ type: 'word', word: mine.word })
        else if (mine.type === 'value' && shown.type === 'value') {
          const dimension = procedure.shape.type === 'number' ? procedure.shape.dimension : 'count'
          const floor = dimension === 'length' ? NEAR.length : dimension === 'time' ? NEAR.time : 1e-4
          expect(Math.abs(mine.mean - shown.si), `${label}: ${mine.mean} against ${shown.si}`).toBeLessThanOrEqual(
            NEAR.share * Math.abs(shown.si) + floor,
          )
        } else expect(mine.type, label).toBe(shown.type)
      }
    }
    expect(compared).toBeGreaterThan(20)
  })
})
