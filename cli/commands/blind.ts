import { advise, createEngine, type Engine } from '../../core/advice'
import { dimensionOf } from '../../core/diagnosis/catalogue'
import type { Evidence } from '../../core/evidence'
import { DrawnMachine, pick, random } from '../../core/truth'
import { formatChance, formatReading } from '../../core/words'
import { severityAt } from '../../core/model/machine'
import { one, text, type Command } from '../command'
import { fail, loadSheet } from '../input'

const TESTS_SHOWN = 5

/** A machine with one fault that somebody complains of, drawn within its tolerances. */
function hiddenIn({ catalogue }: Engine, seed: number) {
  const next = random(seed * 6151)
  for (let tries = 0; tries < 200; tries++) {
    const fault = pick(next, catalogue.machine.faults)
    const severity = fault.severity && severityAt(fault.severity, 0.1 + 0.8 * next())
    const truth = new DrawnMachine(catalogue, [{ fault, severity }], next, undefined, 0)
    const [complaint] = truth.complaints()
    if (complaint !== undefined) return { fault, truth, complaint }
  }
  return fail('missing', ['SHEET'], 'no fault that anybody complains of', 'complaints that faults bring about')
}

/** A call on a sheet whose fault is hidden: the complaint, the first five tests with what a real machine shows, then the fault. */
export const blind: Command = {
  name: 'blind',
  usage: 'SHEET [--seed N]',
  options: { seed: text },
  run([name], given) {
    const seed = Number(one(given, 'seed') ?? 1)
    if (!Number.isInteger(seed) || seed < 1)
      fail('out-of-range', ['--seed'], one(given, 'seed')!, 'a whole number from 1')
    const engine = createEngine(loadSheet(name))
    const { machine } = engine.catalogue
    const { fault, truth, complaint } = hiddenIn(engine, seed)
    console.log(`Complaint: ${machine.sheet.complaints.find((c) => c.id === complaint)!.words}`)
    const evidence: Evidence[] = [{ type: 'complaint', complaint }]
    for (let n = 1; n <= TESTS_SHOWN; n++) {
      const { plan } = advise(engine.predictor, evidence)
      if (plan.state !== 'testing') {
        console.log(`No further test: ${plan.state}`)
        break
      }
      const [{ procedure }] = plan.next
      const value = truth.read(procedure)
      console.log(`${n}. ${engine.titleOf(procedure)}: ${formatReading(value, dimensionOf(procedure))}`)
      evidence.push({ type: 'reading', test: procedure.id, value, instrument: undefined })
    }
    const { remedies } = advise(engine.predictor, evidence).plan
    for (const r of remedies.slice(0, 3))
      console.log(`   ${formatChance(r.p)} ${machine.sheet.repairs[r.repair].title}`)
    console.log(`It was: ${fault.title} (${fault.id}), cured by: ${machine.sheet.repairs[fault.repair].title}`)
    return undefined
  },
}
