import { formatQuantity, parseQuantity, type Dimension } from '../../core/foundation/quantity'
import { orThrow } from '../../core/foundation/result'
import { buildMachine, makeFaultedMachine, type Machine } from '../../core/model/machine'
import {
  programSteps,
  simulate as simulateRun,
  type OperatingPoint,
  type TimelineEvent,
} from '../../core/simulation/simulate'
import { flag, many, one, text, texts, type Command } from '../command'
import { activeFaultsOf, fail, loadSheet } from '../input'

/** Values of the machine as options set them, `PART.PARAM=VALUE`. */
function withSettings(machine: Machine, settings: readonly string[]): Float64Array {
  const values = machine.values.slice()
  for (const s of settings) {
    const [id, written] = [s.slice(0, s.indexOf('=')), s.slice(s.indexOf('=') + 1)]
    const param = machine.params.find((p) => p.id === id)
    if (!param) return fail('unknown-param', ['--set'], id || s, 'PART.PARAM=VALUE or ambient=VALUE')
    const { value } = orThrow(parseQuantity(written, param.dimension, ['--set', id]))
    const dot = id.lastIndexOf('.')
    const spec = machine.sheet.parts.find((p) => p.id === id.slice(0, dot))?.kind.params[id.slice(dot + 1)]
    if (value < (spec?.min ?? -Infinity) || value > (spec?.max ?? Infinity))
      fail('out-of-range', ['--set', id], written, `${spec?.min ?? 'anything'} to ${spec?.max ?? 'anything'} (SI)`)
    values[param.index] = value
  }
  return values
}

function describeEvent(machine: Machine, e: TimelineEvent): string | undefined {
  switch (e.type) {
    case 'phase':
      return e.phase < 0 ? 'control loses its supply' : `phase ${machine.phases[e.phase].id}`
    case 'alarm':
      return `alarm ${e.code}`
    case 'unsettled':
      return 'the flows of the water do not come to rest: do not rely on what follows'
    case 'chatters':
      return `chatters: ${e.modes.map((m) => machine.parts[machine.modeOwner[m]].id).join(', ')}`
    case 'mode': {
      const part = machine.parts[machine.modeOwner[e.mode]]
      const spec = machine.kinds[part.index].modes!.find((m) => part.mode[m.name] === e.mode)!
      return `${part.id} ${spec.name} ${spec.values[e.value]}`
    }
  }
}

/** Levels and volumes at the end. */
function levelsOf(machine: Machine, end: OperatingPoint): { signal: string; value: number; dimension: Dimension }[] {
  return machine.parts.flatMap((p) =>
    Object.entries(machine.kinds[p.index].signals ?? {}).flatMap(([signal, { dimension }]) =>
      dimension === 'volume' || dimension === 'length'
        ? [{ signal: `${p.id}.${signal}`, value: end.signal(p.index, signal), dimension }]
        : [],
    ),
  )
}

/** Runs a machine, healthy or broken, and says what happens when. */
export const simulate: Command = {
  name: 'simulate',
  usage: 'SHEET [--fault ID[=severity]]... [--program ID] [--set PARAM=VALUE]... [--for 40min] [--json]',
  options: { fault: texts, program: text, set: texts, for: text, json: flag },
  run([name], given) {
    const machine = buildMachine(loadSheet(name))
    const [wanted, duration] = [one(given, 'program'), one(given, 'for')]
    const program = wanted === undefined ? 0 : machine.programs.findIndex((p) => p.id === wanted)
    if (program < 0) fail('unknown-program', ['--program'], wanted!, machine.programs.map((p) => p.id).join(', '))
    const until =
      duration === undefined
        ? machine.programs[program].duration
        : orThrow(parseQuantity(duration, 'time', ['--for'])).value
    const faults = activeFaultsOf(machine, many(given, 'fault'))
    const faulted = makeFaultedMachine(machine, faults, [], withSettings(machine, many(given, 'set')))
    const run = simulateRun(faulted, {
      steps: programSteps(machine, program, 0),
      until,
      stopsWhenFinal: false,
      moments: [],
    })
    const complaints = machine.complaints.filter((_, i) => run.complaints[i]).map((c) => c.id)
    const levels = levelsOf(machine, run.end)
    if (given.json)
      return {
        end: run.end.time,
        events: run.events.map((e) => ({ t: e.time, says: describeEvent(machine, e) })),
        alarms: run.alarms,
        complaints,
        signals: Object.fromEntries(levels.map((v) => [v.signal, v.value])),
      }
    for (const e of run.events) console.log(`${e.time.toFixed(2).padStart(10)} s  ${describeEvent(machine, e)}`)
    console.log(`${run.end.time.toFixed(2).padStart(10)} s  end`)
    for (const v of levels) console.log(`${v.signal}: ${formatQuantity(v.value, v.dimension)}`)
    console.log(`complaints: ${complaints.join(', ') || 'none'}`)
    return undefined
  },
}
