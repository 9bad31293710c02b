import { buildCatalogue } from '../../core/diagnosis/catalogue'
import { buildMachine, makeFaultedMachine, severityAt, type ActiveFault, type Machine } from '../../core/model/machine'
import { newSimulationCache, simulate } from '../../core/simulation/simulate'
import { flag, type Command } from '../command'
import { loadSheet } from '../input'

/** Where in its range each severity is taken, by the words of the sheet for its ends. */
const SEVERITIES = { 'near from': 0.1, middle: 0.5, 'near to': 0.9 } as const

interface Outcome {
  fault: string
  severity: string | undefined
  complaints: string[]
  alarms: string[]
  /** The phases in which its programs end, each once. */
  ends: string[]
}

/** What one fault comes to in every program that customers run. */
function outcomeOf(machine: Machine, active: ActiveFault, severity: string | undefined, run: RunOf): Outcome {
  const outcome = { complaints: new Set<string>(), alarms: new Set<string>(), ends: new Set<string>() }
  for (const { events, complaints } of run(active)) {
    complaints.forEach((made, k) => made && outcome.complaints.add(machine.sheet.complaints[k].id))
    let phase: string | undefined
    for (const e of events) {
      if (e.type === 'alarm') outcome.alarms.add(e.code)
      // Switched off at the end of its time it is in no phase any more.
      if (e.type === 'phase' && e.phase >= 0) phase = machine.phases[e.phase].id
    }
    if (phase !== undefined) outcome.ends.add(phase)
  }
  const [complaints, alarms, ends] = [outcome.complaints, outcome.alarms, outcome.ends].map((set) => [...set])
  return { fault: active.fault.id, severity, complaints, alarms, ends }
}

type RunOf = (active: ActiveFault) => ReturnType<typeof simulate>[]

/** Runs every fault at three severities against every complaint and final phase, and says what nothing shows. */
export const faults: Command = {
  name: 'faults',
  usage: 'SHEET [--json]',
  options: { json: flag },
  run([name], { json }) {
    const sheet = loadSheet(name)
    const { machine, runs } = buildCatalogue(buildMachine(sheet))
    const plain = runs.filter(
      (r) => !r.interventions.length && machine.programs[r.program].serviceMinutes === undefined,
    )
    const cache = newSimulationCache()
    const run: RunOf = (active) =>
      plain.map(({ script }) =>
        simulate(makeFaultedMachine(machine, [active]), { ...script, moments: [], watches: undefined }, cache),
      )
    const outcomes = machine.faults.flatMap((fault) =>
      fault.severity
        ? Object.entries(SEVERITIES).map(([word, u]) =>
            outcomeOf(machine, { fault, severity: severityAt(fault.severity!, u) }, word, run),
          )
        : [outcomeOf(machine, { fault, severity: undefined }, undefined, run)],
    )
    const silent = sheet.faults.filter((f) => !outcomes.some((o) => o.fault === f.id && o.complaints.length))
    const unheard = sheet.complaints.filter((c) => !outcomes.some((o) => o.complaints.includes(c.id)))
    if (json)
      return {
        outcomes,
        silent: silent.map((f) => ({ fault: f.id, latent: f.latent })),
        unheard: unheard.map((c) => c.id),
      }
    for (const { fault, severity, complaints, alarms, ends } of outcomes)
      console.log(
        `${fault}${severity === undefined ? '' : ` (${severity})`}: ${complaints.join(', ') || 'nobody complains'}; ` +
          `${alarms.length ? `${alarms.join(', ')}; ` : ''}ends in ${ends.join(', ') || 'no phase'}`,
      )
    console.log(`\nNothing shows: ${silent.map((f) => `${f.id}${f.latent ? ' (latent)' : ''}`).join(', ') || 'none'}`)
    console.log(`Complaints that no fault brings: ${unheard.map((c) => c.id).join(', ') || 'none'}`)
    return undefined
  },
}
