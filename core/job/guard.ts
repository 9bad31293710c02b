import {
  DEAD_ACTS,
  isBypass,
  LIVE_ACTS,
  readEvidence,
  type HandAct,
  type SafetyEffect,
  type WorkMode,
} from '../evidence'
import type { Problem } from '../foundation/issues'
import { isRetractable } from './apply'
import { powerState } from './power-state'
import { refusesLate, refusesLeaving } from './leaving'
import { CYCLE, isMeasuredDead } from './proof'
import type { Refusal, RefusalCode } from './refusal'
import { standingAt, type JobStanding } from './standing'
import type { JobEvent, SequencedEvent } from './event-schema'
import { findTest, vocabularyFrom, type SafetyNeed, type SheetFacts } from './sheet-facts'

/** What a person may do in an organisation. */
export const ROLES = ['lead', 'technician', 'trainee', 'read-only'] as const
export type Role = (typeof ROLES)[number]

/** Work that a role may not do: a test of it is neither offered to such a person nor taken from them. */
export const barredFor = (role: Role): WorkMode[] => (role === 'trainee' ? ['energised'] : [])

/** What a safety step brings about, where its sheet does not say. */
const BY_DEFAULT = { anything: undefined, isolated: 'lets-go', energised: 'readies' } as const

const effectOf = ({ before, does = BY_DEFAULT[before] }: Pick<SafetyNeed, 'before' | 'does'>) => does

/** Whether a safety step makes a person ready for live work: who may do none confirms none. */
export const readiesFor = (need: Pick<SafetyNeed, 'before' | 'does'>): boolean => effectOf(need) === 'readies'

/** Before which acts of the hands a step is due, by what it brings about. */
const DUE: Record<SafetyEffect, readonly HandAct[]> = {
  'proves-meter': ['open', 'terminals', 'reach'],
  isolates: ['open', 'terminals', 'reach', 'hose'],
  'proves-dead': ['open', 'terminals', 'reach'],
  'shuts-water': ['hose'],
  'lets-go': ['open', 'terminals', 'reach', 'hose', 'water'],
  'gives-back': ['power'],
  'opens-water': ['fill'],
  readies: ['live'],
}
/** Steps that each person does for themselves. */
const BY_EACH: readonly SafetyNeed['does'][] = ['readies', 'gives-back']

/**
 * The safety steps still to be done before these acts of the hands: what a step is due before follows from what it brings
 * about. A step before anything is due before every act, and before a look.
 *
 * @param at now: what was confirmed on another day counts no more
 * @param by whose hands; live work and giving power back are confirmed by each person. Anybody's count where it is left out
 */
export function missingSteps(
  acts: readonly HandAct[],
  needs: readonly SafetyNeed[],
  job: Pick<JobStanding, 'safety' | 'lastAt' | 'confirmed'>,
  at: string,
  by?: string,
): SafetyNeed[] {
  const { safety, confirmed = {} } = standingAt(job, at)
  const isDue = (need: SafetyNeed) => {
    const does = effectOf(need)
    return does === undefined || DUE[does].some((act) => acts.includes(act))
  }
  const isDone = ({ id, does }: SafetyNeed) =>
    safety[id]?.some((e) => by === undefined || !BY_EACH.includes(does) || confirmed[e]?.by === by) ?? false
  return needs.filter((n) => isDue(n) && !isDone(n))
}

/**
 * What hands do for a test as the job stands: power that comes back to a machine in which one's hands were is given back,
 * and so is the water that was shut, whatever the test.
 */
export function actsNow(
  { acts, powered }: { acts: readonly HandAct[]; powered: boolean },
  { handsIn = {}, water }: Pick<JobStanding, 'handsIn' | 'water'>,
  by: string | undefined,
): readonly HandAct[] {
  if (!powered) return acts
  const power = !acts.includes('power') && by !== undefined && by in handsIn
  return [...acts, ...(power ? (['power'] as const) : []), ...(water?.shut ? (['fill'] as const) : [])]
}

/** What is done to watch a program: power on and hands off, with tips in it live work. */
export const runActs = ({ clips }: Pick<JobStanding, 'clips'>): { acts: readonly HandAct[]; powered: boolean } => ({
  acts: clips?.length ? ['live'] : [],
  powered: true,
})

/** Who else has hands in the machine: it gets no power before each has said that they are out. */
export function othersIn(
  { handsIn = {} }: Pick<JobStanding, 'handsIn'>,
  needs: readonly SafetyNeed[],
  by: string,
): string[] {
  return needs.some((n) => n.does === 'gives-back') ? Object.keys(handsIn).filter((who) => who !== by) : []
}

/** A value as a text that is the same in whatever order its fields come: a table keeps them in one of its own. */
const inOneOrder = (value: object): string => JSON.stringify(Object.entries(value).sort())

/** What is wrong with the names and readings of an event, against its sheet. */
function problemsOf({ payload }: JobEvent, facts: SheetFacts): { code: RefusalCode; problems: Problem[] } | undefined {
  const vocabulary = vocabularyFrom(facts)
  const asEvidence = (written: object, code: RefusalCode) => {
    const read = readEvidence([written], vocabulary)
    if (!read.ok) return { code, problems: read.problems }
    const [own] = read.value
    // A target with a tail is no target: what takes it out again would not find it.
    if (payload.type === 'action' && (own?.type !== 'action' || own.action.target !== payload.action.target))
      return { code, problems: [] }
    // What was understood where it was typed is what the text says, or one of the two is not what was read.
    const value = payload.type === 'reading' ? payload.value : undefined
    const same = !value || (own?.type === 'reading' && inOneOrder(own.value) === inOneOrder(value))
    return same ? undefined : { code: 'bad-reading' as const, problems: [] }
  }
  const unless = (known: boolean) => (known ? undefined : { code: 'unknown-name' as const, problems: [] })
  switch (payload.type) {
    case 'reading':
      return asEvidence(
        { test: payload.test, reading: payload.text, instrument: payload.instrument },
        findTest(facts, payload.test, payload.instrument) ? 'bad-reading' : 'unknown-name',
      )
    case 'action':
      return asEvidence({ action: `${payload.action.verb} ${payload.action.target ?? ''}` }, 'unknown-name')
    case 'opened':
    case 'said':
      if (payload.options?.some((o) => !(facts.options ?? []).includes(o.id))) return unless(false)
      return [
        ...payload.complaints.map((complaint) => ({ complaint })),
        ...(payload.circumstances ?? []).map((circumstance) => ({ circumstance })),
      ]
        .map((said) => asEvidence(said, 'unknown-name'))
        .find((p) => p)
    case 'run':
      return unless(facts.targets.start?.includes(payload.program) ?? false)
    case 'clipped':
      return unless(findTest(facts, payload.test, undefined)?.workMode === 'energised')
    case 'closed':
      return unless(payload.repair === '' || facts.repairs.some((r) => r.id === payload.repair))
    case 'safety':
      return unless(facts.needs.some((n) => n.id === payload.step))
    case 'setting':
      return unless(facts.settings?.some((s) => s.id === payload.setting) ?? false)
    case 'decided':
    case 'ticked':
    case 'new-part':
      return unless(facts.repairs.some((r) => r.id === payload.repair))
    default:
      return undefined
  }
}

/** What may still be entered once a job is closed: the customer signs at the end. */
const OF_A_CLOSED: ReadonlySet<JobEvent['payload']['type']> = new Set([
  'reopened',
  'note',
  'photo',
  'signed',
  'not-signed',
  'follow-up',
])

/** Whether something may be said to hold: of a repair that was decided, of its list, and a cycle only of a program that was watched to its end. */
function refusesProof(job: JobStanding, payload: JobEvent['payload'], facts: SheetFacts): Refusal | undefined {
  if (payload.type !== 'proven') return undefined
  const { decided, watched } = job
  if (!decided) return { code: 'not-decided' }
  const need = facts.repairs.find((r) => r.id === decided.repair)?.proof?.find((p) => p.id === payload.item)
  if (!need || (payload.as === 'not-needed' && (need.unless === undefined || !payload.text?.trim())))
    return { code: 'unknown-name', problems: [] }
  if (payload.item !== CYCLE || payload.as === 'failed') return undefined
  const seen = watched !== undefined && watched.event === payload.run && watched.over && watched.seq > decided.seq
  return seen || payload.as === 'not-needed' ? undefined : { code: 'no-cycle' }
}

/** Whether a machine may be said to be left unsafe: off, by somebody who shut it. */
function refusesUnsafe(job: JobStanding, { payload, at }: JobEvent, facts: SheetFacts): Refusal | undefined {
  if (payload.type !== 'left-unsafe') return undefined
  const needs = facts.needs.filter((n) => n.does === 'isolates')
  const { state } = powerState(job, facts.needs, at)
  return !needs.length || state === 'isolated' || state === 'dead'
    ? undefined
    : { code: 'make-safe-first', names: needs.map((n) => n.id) }
}

/** What is done to read at tips that were clipped on dead. */
const HANDS_OFF: readonly HandAct[] = ['live']

/**
 * Whether an event may be appended to a job as it stands.
 *
 * @param target the event that a retraction names
 * @param by name of who enters it
 * @returns why not, or `undefined`. What was entered before a closing that came first is let in: it counts as late
 */
export function refuses(
  job: JobStanding,
  event: JobEvent,
  facts: SheetFacts,
  role: Role,
  target?: Pick<SequencedEvent, 'id' | 'seq' | 'payload'>,
  by?: string,
): Refusal | undefined {
  const { payload } = event
  if (role === 'read-only') return { code: 'read-only' }
  if (payload.type === 'opened') return job.unit === undefined ? problemsOf(event, facts) : { code: 'opened-twice' }
  if (job.unit === undefined) return { code: 'not-opened' }
  if (job.closed) {
    const late = event.baseSeq < job.closed.seq && payload.type !== 'closed'
    if (!late && !OF_A_CLOSED.has(payload.type)) return { code: 'closed' }
  }
  const wrong = problemsOf(event, facts)
  if (wrong) return wrong
  if (payload.type === 'retracted') {
    if (!target || !isRetractable(target.payload)) return { code: 'not-retractable' }
    // What is off keeps its name until it is back.
    const off = job.disconnected?.filter((d) => d.label === payload.event) ?? []
    if (off.length) return { code: 'still-off', names: off.map((d) => d.name) }
  }
  const test = payload.type === 'reading' ? findTest(facts, payload.test, payload.instrument) : undefined
  const verb = payload.type === 'action' ? payload.action.verb : undefined
  // A jumper is fitted dead on a machine that was made safe, to be read live; so is a lead lifted.
  const bypasses = verb !== undefined && isBypass(verb)
  const clips = payload.type === 'clipped'
  const readies = payload.type === 'safety' && facts.needs.some((n) => n.id === payload.step && readiesFor(n))
  if (barredFor(role).includes(test?.workMode ?? (bypasses || clips || readies ? 'energised' : 'observe')))
    return { code: 'no-live-work' }
  const runs = payload.type === 'run'
  // What is read at tips that sit there is read hands-off, by whoever sees it: somebody was ready for it before the power went on.
  const sits = payload.type === 'reading' && (job.clips?.includes(payload.test) ?? false)
  const byHand = bypasses ? LIVE_ACTS : DEAD_ACTS
  const acts = sits ? HANDS_OFF : test || runs ? actsNow(test ?? runActs(job), job, by) : byHand
  const opens = verb === 'open' || verb === 'unplug'
  // An earth or an insulation is measured with hands in it, dead.
  const measuresDead = payload.type === 'proven' && payload.as !== 'not-needed' && isMeasuredDead(payload.item)
  const handsOn =
    test || runs || clips || bypasses || opens || measuresDead || ['disconnected', 'unclipped'].includes(payload.type)
  const missing = handsOn ? missingSteps(acts, facts.needs, job, event.at, sits ? undefined : by) : []
  if (missing.length) return { code: 'make-safe-first', names: missing.map((m) => m.id) }
  const powers = test?.powered || runs || verb === 'restore' || verb === 'start'
  const others = powers && by !== undefined ? othersIn(job, facts.needs, by) : []
  if (others.length) return { code: 'hands-in', names: others }
  const found = (id: string) => (payload.type === 'retracted' && id === payload.event ? target : undefined)
  const late = refusesLate(job, event, facts, found)
  if (late) return late
  return refusesLeaving(job, payload, facts) ?? refusesProof(job, payload, facts) ?? refusesUnsafe(job, event, facts)
}
