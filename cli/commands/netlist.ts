import { buildMachine, makeFaultedMachine } from '../../core/model/machine'
import { writeNetlist } from '../../core/physics/circuit'
import { simulate } from '../../core/simulation/simulate'
import { flag, many, one, text, texts, type Command } from '../command'
import { activeFaultsOf, fail, loadSheet } from '../input'

/** Seconds after the entry of a phase at which its circuit is written out. */
const SETTLED = 4

/** Writes the circuit of a moment as a SPICE netlist. */
export const netlist: Command = {
  name: 'netlist',
  usage: 'SHEET [--fault ID[=severity]]... [--at PHASE] [--dc]',
  options: { fault: texts, at: text, dc: flag },
  run([name], given) {
    const machine = buildMachine(loadSheet(name))
    const at = one(given, 'at')
    const phase = at === undefined ? -1 : machine.phases.findIndex((p) => p.id === at)
    if (at !== undefined && phase < 0) fail('unknown-phase', ['--at'], at, machine.phases.map((p) => p.id).join(', '))
    const run = simulate(makeFaultedMachine(machine, activeFaultsOf(machine, many(given, 'fault'))), {
      steps: [{ at: 0, start: 0 }],
      until: machine.programs[0].duration,
      stopsWhenFinal: false,
      moments: phase < 0 ? [{ type: 'time', at: 0 }] : [{ type: 'phase', phase, after: SETTLED }],
    })
    const point =
      run.snapshots[0] ??
      fail('limit-reached', ['--at'], `${at} is never reached with these faults`, 'a phase that the machine reaches')
    const analysis = given.dc ? 'dc' : 'ac'
    const { island } = analysis === 'ac' ? point.ac() : point.dc()
    const title = `${machine.sheet.title}${at ? ` at ${at}` : ''}`
    const label = (node: number) => machine.nodeLabels[node]
    process.stdout.write(writeNetlist(title, point.components(), island, analysis, machine.frequency, label))
    return undefined
  },
}
