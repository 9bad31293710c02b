import { connectionsOf, connectorsOf, conditionsOf, needsOf, type Engine } from '../../core/advice'
import type { Procedure } from '../../core/diagnosis/catalogue'
import { CIRCUMSTANCES, CIRCUMSTANCE_IDS } from '../../core/model/kinds'
import type { Machine } from '../../core/model/machine'
import type { OwnOptions, Sheet } from '../../core/model/sheet'
import { METERS } from '../../core/simulation/instrument'
import type { Experience, ShopRecord } from '../../core/statistics'
import { describePosition, describeProof, describeTiming } from '../../core/words'
import type { MachineFacts } from './protocol'

/** A machine as it was opened. */
interface Opened {
  /** What was computed of it before has been provided already. */
  provided: boolean
  /** What of its options is otherwise than its sheet says. */
  fitted: OwnOptions
  /** What the shop has seen of such machines, and what the engine takes from that. */
  record: ShopRecord | undefined
  experience: Experience | undefined
}

/** Whether a customer beside the machine can answer it: by eye or ear, nothing opened, no meter, no service mode. */
function canCustomer({ sheet }: Machine, { workMode, needs, meter, measurement }: Procedure): boolean {
  if (workMode !== 'observe' || needs.panels.length || needs.loosened.length || meter !== undefined) return false
  if (measurement.type === 'code') return true
  const service = needs.arrival && sheet.programs[needs.arrival.program]?.service
  return measurement.type === 'sense' && measurement.sense !== 'hand' && !service
}

/** Every test of the machine, columns of readings too. */
function testsOf(engine: Engine): MachineFacts['tests'] {
  const { machine, catalogue } = engine
  return [
    ...catalogue.procedures.map((p) => ({ id: p.id, title: engine.titleOf(p), p })),
    ...catalogue.strips.map((s) => ({ id: s.id, title: engine.titleOfStrip(s), p: s.rows[0]! })),
  ].map(({ id, title, p }) => ({
    id,
    title,
    when: describeTiming(machine, p.timing),
    workMode: p.workMode,
    part: 'part' in p.measurement ? p.measurement.part : -1,
    shape: p.shape,
    asFound: p.needs.asFound,
    byCustomer: canCustomer(machine, p) ? engine.howTo(p) : undefined,
    how: p.needs.asFound ? engine.howTo(p) : undefined,
    powered: p.needs.power === 'on',
  }))
}

/** What a page must know of the machine. */
export function machineFactsOf(
  own: Sheet,
  engine: Engine,
  { provided, fitted, record, experience }: Opened,
): MachineFacts {
  const isMoved = Object.keys(experience?.knownGood ?? {}).length > 0
  const { machine, catalogue } = engine
  return {
    provided,
    basis: isMoved || fitted.length ? JSON.stringify([experience?.knownGood, fitted]) : '',
    title: own.title,
    source: own.source,
    parts: machine.parts.map((p) => ({
      id: p.id,
      title: p.title,
      line: p.line,
      byHand: machine.kinds[p.index]!.manual !== undefined,
      terminals: machine.kinds[p.index]!.terminals,
      colours: Object.fromEntries(
        own.colours.filter((c) => c.part === p.id).map(({ terminal, colour }) => [terminal, colour]),
      ),
    })),
    connections: connectionsOf(catalogue),
    moments: [
      ...new Map(
        catalogue.readingMoments.map(({ id, position }) => [id, { id, title: describePosition(machine, position) }]),
      ).values(),
    ],
    meters: METERS.filter((m) => m.dimension === 'voltage' || m.dimension === 'resistance').map((m) => ({
      id: m.id,
      title: m.title,
      dead: m.dimension === 'resistance',
    })),
    programs: own.programs.map(({ id, title, service }) => ({ id, title, service })),
    conditions: conditionsOf(machine),
    complaints: own.complaints.map(({ id, words }) => ({ id, words })),
    options: own.options.map(({ id, title, fitted }) => ({ id, title, fitted })),
    circumstances: CIRCUMSTANCE_IDS.map((id) => ({ id, words: CIRCUMSTANCES[id].words })),
    makeSafe: needsOf(machine).map((need, i) => ({
      ...need,
      text: [describeProof(need), own.makeSafe[i]!.text].filter(Boolean).join('. '),
    })),
    tests: testsOf(engine),
    cautions: own.cautions.map((c) => c.text),
    customer: own.customer,
    repairs: own.repairs.map(({ id, title }) => ({ id, title })),
    asFound: own.asFound,
    connectors: connectorsOf(machine),
    settings: own.settings,
    care: own.care,
    experience: record &&
      experience && {
        jobs: record.jobs.length,
        machineYears: record.machineYears,
        knownGood: Object.values(experience.knownGood).flat().length,
      },
  }
}
