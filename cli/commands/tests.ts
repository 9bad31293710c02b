import { createEngine } from '../../core/advice'
import { describeTiming, formatWorkMode } from '../../core/words'
import { flag, type Command } from '../command'
import { loadSheet } from '../input'

/** Lists everything that can be tested on a machine. */
export const tests: Command = {
  name: 'tests',
  usage: 'SHEET [--json]',
  options: { json: flag },
  run([name], given) {
    const engine = createEngine(loadSheet(name))
    const rows = engine.catalogue.procedures.map((p) => ({
      test: p.id,
      what: engine.titleOf(p),
      when: describeTiming(engine.machine, p.timing),
      school: formatWorkMode(p.workMode),
      instrument: p.meter ?? (p.measurement.type === 'code' ? 'display' : 'sense'),
      minutes: p.minutes,
    }))
    if (given.json) return { tests: rows }
    for (const r of rows) console.log(`${r.test.padEnd(28)} ${r.school.padEnd(6)} ${r.what}, ${r.when}`)
    return undefined
  },
}
