import type { JudgedReading, ReportJudgement, ReportMachine } from '../report'
import { METERS } from '../simulation/instrument'
import { describeFound, describeLane, describeProof } from '../words'
import { noticedSignals } from './expected-run/lanes-of'
import { phaseLane, signalLane } from './expected-run/turns'
import type { Advice } from './advise'
import type { Engine } from './engine'
import { newPartChecks } from './new-part-checks'
import { proofsFor } from './proof-of'
import { needsOf } from './sheet-facts'

/** What a report must know of a machine. */
export function reportMachineOf(engine: Engine): ReportMachine {
  const { machine, catalogue } = engine
  const { sheet } = machine
  const titles = (list: readonly { id: string; title: string }[]) =>
    Object.fromEntries(list.map((x) => [x.id, x.title]))
  const repairs = sheet.repairs.map((_, i) => i)
  return {
    title: sheet.title,
    maker: sheet.maker,
    model: sheet.model,
    source: sheet.source,
    complaints: Object.fromEntries(sheet.complaints.map((c) => [c.id, c.words])),
    tests: Object.fromEntries(catalogue.procedures.map((p) => [p.id, engine.titleOf(p)])),
    meters: titles(METERS),
    safety: Object.fromEntries(
      needsOf(machine).map((need, i) => [
        need.id,
        [sheet.makeSafe[i].title, describeProof(need)].filter(Boolean).join(': '),
      ]),
    ),
    parts: titles(machine.parts),
    repairs: titles(sheet.repairs),
    programs: titles(sheet.programs),
    lanes: Object.fromEntries([
      ...machine.phases.map((p) => [phaseLane(machine, p.index), p.title]),
      ...noticedSignals(catalogue).map((s) => [signalLane(machine, s), describeLane(machine, s.part, s.signal)]),
    ]),
    proofs: Object.fromEntries(repairs.flatMap((r) => proofsFor(catalogue, r).map((p) => [p.id, p.title]))),
    checks: Object.fromEntries(
      repairs.flatMap((r) => newPartChecks(machine, r).map((c) => [`${sheet.repairs[r].id} ${c.id}`, c.title])),
    ),
    settings: sheet.settings.map(({ id, title, usual }) => ({ id, title, usual })),
    care: sheet.care.map(({ text, every, why }) => ({ text, every, why })),
  }
}

/**
 * What the engine makes of a job's evidence, for its report.
 *
 * @param events of the readings, in the order in which they stand in the evidence
 */
export function judgementOf(engine: Engine, advice: Advice, events: readonly (string | undefined)[]): ReportJudgement {
  const view = engine.view(advice)
  const readings = view.readings.map(({ title, text, verdict, fits }, i): JudgedReading => {
    const { band } = advice.verdicts[i]
    const { value, procedure } = advice.interpreted.case.readings[i]
    // An open line lies beyond every band.
    const si = value.type === 'value' ? value.si : value.type === 'open' ? Infinity : undefined
    const shown = band && si !== undefined ? { band: { ...band, si } } : {}
    const found = fits === 'bad' ? describeFound(engine.machine, procedure, { title, text, verdict }) : ''
    return { title, text, verdict, fits, found, ...shown }
  })
  const named = readings.flatMap((r, i) => (events[i] === undefined ? [] : [[events[i], r] as const]))
  const [lead] = view.suspects
  return {
    readings: Object.fromEntries(named),
    proven: view.links.filter((l) => l.state === 'proven').map((l) => engine.machine.parts[l.part].title),
    cause: lead && { title: lead.title, stands: view.state === 'cause-stands' },
  }
}
