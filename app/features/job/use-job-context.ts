import { useRuntimeConfig } from '#imports'
import { computed, inject, nextTick, provide, watch, type InjectionKey } from 'vue'
import type { ReadingValue } from '../../../core/foundation/quantity'
import {
  actsNow,
  barredFor,
  DEAD_ACTS,
  handsGoIn,
  isBypass,
  LEAD_OFF,
  LIVE_ACTS,
  missingSteps,
  othersIn,
  powerState,
  waterState,
  type Payload,
} from '../../../core/job'
import { describeRefusal, describeStanding } from '../../../core/words'
import { useSession } from '../session'
import { useHalfRead } from './draft'
import { historyRows } from './history-rows'
import { shopRecordOf } from '../../data/shop-record'
import { useAdvice } from './use-advice'
import { useJob } from './use-job'
import { useNow } from './use-now'
import { usePhotos } from './use-photos'
import { leave, whereLeft } from './where-left'

/** How soon after another a tap is the second half of a double tap, ms. */
const DOUBLE_TAP = 600

/** Parts that hands have parted and not yet put back. */
function partedIn(log: ReturnType<typeof useJob>['state']['value']['log']): string[] {
  const out = new Set<string>()
  for (const l of log) {
    if (l.type !== 'action' || l.action.target === undefined) continue
    if (l.action.verb === 'unplug') out.add(l.action.target)
    if (l.action.verb === 'plug') out.delete(l.action.target)
  }
  return [...out]
}

/** One job as all its steps see it: what was entered, what the engine says of it, and what may be done. */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what the steps of a job share
function createJobContext(id: string) {
  const person = useSession().person!
  const job = useJob(id)
  const { meta, state, waiting } = job
  const advice = useAdvice(
    state,
    computed(() => meta.value?.revision),
    () => shopRecordOf(person.id, id),
    useRuntimeConfig().public.engine,
    { last: () => whereLeft(person.id, id), keep: (left) => void leave(person.id, id, left) },
    person,
  )
  const { facts, view, verdicts, card, face, thinking } = advice
  const text = useHalfRead(
    person.id,
    `${id}:reading`,
    computed(() => card.value?.id),
  )
  const now = useNow()

  const closed = computed(() => state.value.closed !== undefined)
  // What is half typed at its end is typed for nothing, and keeps no newer program waiting.
  watch(closed, (is) => is && (text.value = ''))
  const mayWrite = computed(() => person.role !== 'read-only')
  const locked = computed(() => closed.value || !mayWrite.value)
  const said = computed(() =>
    facts.value
      ? state.value.complaints.map((c) => facts.value?.complaints.find((x) => x.id === c)?.words ?? c).join(', ')
      : '',
  )
  const stepsFor = (acts: Parameters<typeof missingSteps>[0]) => {
    const all = facts.value?.makeSafe ?? []
    const need = missingSteps(acts, all, state.value, now.value, person.name).map((s) => s.id)
    return all.filter((s) => need.includes(s.id))
  }
  const missing = computed(() => {
    if (!card.value || !facts.value) return []
    return stepsFor(actsNow(card.value, state.value, person.name))
  })
  /** Steps still to be done before parts come off. */
  const repairSteps = computed(() => stepsFor(DEAD_ACTS))
  const power = computed(() => powerState(state.value, facts.value?.makeSafe ?? [], now.value))
  const water = computed(() => waterState(state.value, now.value))
  /** Why this person may not take the test on the card. */
  const barred = computed(() => {
    if (!card.value) return ''
    if (barredFor(person.role).includes(card.value.workMode)) return describeRefusal({ code: 'no-live-work' })
    const names = card.value.powered ? othersIn(state.value, facts.value?.makeSafe ?? [], person.name) : []
    return names.length ? describeRefusal({ code: 'hands-in', names }) : ''
  })
  const rows = computed(() =>
    historyRows(
      state.value,
      facts.value,
      verdicts.value,
      new Set(waiting.value.map((e) => e.id)),
      !thinking.value && view.value !== undefined,
    ),
  )
  const stands = computed(() => face.value?.type === 'cause')
  const bypasses = computed(() =>
    state.value.bypasses.map((key) => {
      const lead = key.endsWith(LEAD_OFF)
      const id = lead ? key.slice(0, -LEAD_OFF.length) : key
      return { id, lead, title: facts.value?.parts.find((p) => p.id === id)?.title ?? id }
    }),
  )
  const parted = computed(() => partedIn(state.value.log))
  /** What stands at the machine that must not be forgotten there. */
  const left = computed(() => [
    ...bypasses.value.map((b) => describeStanding(b.lead, b.title).replace(/\.$/, '')),
    ...(state.value.disconnected ?? []).map((d) => `${d.name} is off`),
    ...parted.value.map((p) => `${facts.value?.parts.find((x) => x.id === p)?.title ?? p} is off or shut by hand`),
  ])
  /** A part that is bridged, or has a lead off, is called by its name wherever nobody has the sheet at hand. */
  function withTitle(payload: Payload): Payload {
    if (payload.type !== 'action' || !isBypass(payload.action.verb)) return payload
    const title = facts.value?.parts.find((p) => p.id === payload.action.target)?.title
    return title ? { ...payload, title } : payload
  }
  const photos = usePhotos(person.id, id, job.enter)
  const handsOn = computed(() => !locked.value && !!facts.value && !stepsFor(LIVE_ACTS).length)

  /** An entry after which something else may be asked than before: what stands there makes room. */
  async function act(payload: Payload): Promise<void> {
    advice.turn()
    await job.enter(withTitle(payload))
    await nextTick()
    // What could not be kept, or asks nothing new, starts no thinking of its own.
    if (!advice.thinking.value) advice.best()
  }
  const enter = (payload: Payload) => void job.enter(payload)
  /** How exact this person's own instrument is, where they said so. */
  function accuracyOf(meter: string | undefined) {
    const own = meter === undefined ? undefined : person.kit?.accuracy?.[meter]
    return own === undefined ? {} : { accuracy: own }
  }
  async function take(answer: string, value: ReadingValue): Promise<void> {
    if (!card.value || advice.unbound.value || missing.value.length || locked.value || barred.value) return
    const other = card.value.meter !== card.value.meters[0]?.id || card.value.id.includes(' to ')
    const instrument = other ? card.value.meter : undefined
    const { id: test, jumper, lifts, powered, acts, strip } = card.value
    // What is bridged or lifted for a test stands in the log before its reading, until somebody says that it is as it was.
    for (const [verb, target, key] of [
      ['jumper', jumper, jumper],
      ['lift', lifts, `${lifts}${LEAD_OFF}`],
    ] as const)
      if (target !== undefined && !state.value.bypasses.includes(key!))
        if (!(await job.enter(withTitle({ type: 'action', action: { verb, target } })))) return
    const kept = await job.enter({
      type: 'reading',
      test,
      text: answer,
      value,
      ...(instrument === undefined ? {} : { instrument }),
      ...accuracyOf(card.value.meter),
      ...(powered ? { live: true as const } : {}),
      ...(handsGoIn(acts) ? { hands: true as const } : {}),
    })
    // What could not be kept stays where it was typed.
    if (!kept) return
    text.value = ''
    advice.taken(strip)
  }
  /** An answer to a question that does not stand on the card. */
  function record(test: string, answer: string): void {
    const powered = facts.value?.tests.find((t) => t.id === test)?.powered
    void act({ type: 'reading', test, text: answer, ...(powered ? { live: true as const } : {}) })
  }
  const choose = (test: string, instrument?: string) => void advice.lay(test, instrument)
  /** The same test with another instrument; what is typed stays. */
  function turnMeter(meter: string): void {
    if (card.value) void advice.lay(card.value.strip?.id ?? card.value.id, meter)
  }
  let undone = -Infinity
  /** What a double tap takes back is one entry, not the next that comes to stand there. */
  function retract(event: string, enterIt: typeof act): void {
    if (performance.now() - undone < DOUBLE_TAP) return
    undone = performance.now()
    void enterIt({ type: 'retracted', event })
  }
  const undo = (event: string) => retract(event, act)
  /** Takes back what no question hangs on: what stands there stays. */
  const takeBack = (event: string) => retract(event, async (payload) => enter(payload))
  function safety(step: string): void {
    const { again, does } = facts.value?.makeSafe.find((s) => s.id === step) ?? {}
    enter({ type: 'safety', step, ...(again ? { again: true as const } : {}), ...(does ? { does } : {}) })
  }
  return {
    id,
    person,
    job,
    advice,
    text,
    now,
    closed,
    mayWrite,
    locked,
    said,
    missing,
    repairSteps,
    stepsFor,
    power,
    water,
    barred,
    rows,
    stands,
    bypasses,
    parted,
    left,
    handsOn,
    photos,
    unsentPhotos: job.unsentPhotos,
    act,
    enter,
    take,
    record,
    choose,
    turnMeter,
    undo,
    takeBack,
    safety,
  }
}

export type JobContext = ReturnType<typeof createJobContext>
const HERE: InjectionKey<JobContext> = Symbol('job')

/** Opens a job for all its steps. */
export function provideJobContext(id: string): JobContext {
  const context = createJobContext(id)
  provide(HERE, context)
  return context
}

/** The job that this step belongs to. */
export function useJobContext(): JobContext {
  const context = inject(HERE)
  if (!context) throw new Error('A step of a job stands outside of its job.')
  return context
}
