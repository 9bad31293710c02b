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
    const columns = engine.catalogue.strips.map((s) => ({
      tests: s.rows.map((row) => row.id),
      what: engine.titleOfStrip(s),
      minutes: s.minutes,
    }))
    if (given.json) return { tests: rows, columns }
    for (const r of rows) console.log(`${r.test.padEnd(28)} ${r.school.padEnd(6)} ${r.what}, ${r.when}`)
    if (columns.length) console.log('\nIn one go')
    for (const c of columns) console.log(`${c.what} (${c.tests.join(', ')})`)
    return undefined
  },
}
