import { computed, ref, shallowRef, watch } from 'vue'
import { actsNow, runActs } from '../../../core/job'
import {
  AWAY,
  findInRun,
  followCues,
  nextCue,
  type Course,
  type ExpectedRun,
  type FollowedCue,
  type Mark,
  type RunFinding,
} from '../../../core/running'
import type { JobContext } from './use-job-context'
import { runBegins, useRunTime } from './use-run-time'

/** The runs of one job: what is expected of a program, what has been noticed of it, and what that says. */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what the run view shows
export function useRun({ job, advice, enter, act, stepsFor, person, locked }: JobContext) {
  const { facts, question, engine, view } = advice
  const newest = computed(() => job.state.value.runs.at(-1))
  /** The run that goes on; `undefined` while none does. */
  const running = computed(() => (newest.value && newest.value.over === undefined ? newest.value : undefined))
  const program = ref('')
  watch(
    [() => facts.value?.programs, () => newest.value?.program],
    ([programs, last]) => {
      const known = programs?.some((p) => p.id === program.value)
      if (last !== undefined && running.value) program.value = last
      else if (!known) program.value = last ?? programs?.[0]?.id ?? ''
    },
    { immediate: true },
  )
  /** What was measured for the coming run, SI by id. */
  const conditions = ref<Record<string, number>>({})
  const its = computed(() => running.value?.conditions ?? conditions.value)

  const expected = shallowRef<ExpectedRun>()
  const fault = ref('')
  /** Whether the windows are still being run. */
  const sketched = ref(true)
  let round = 0
  async function expect(): Promise<void> {
    if (!facts.value || !program.value || !view.value) return
    const mine = ++round
    const given = { ...its.value }
    try {
      for (const windows of [false, true]) {
        // What stands there with its windows is not drawn without them.
        if (!windows && expected.value?.program === program.value) continue
        const answer = await engine.run(question.value, program.value, given, windows)
        if (mine !== round) return
        expected.value = answer
        sketched.value = !windows
      }
      fault.value = ''
    } catch (error) {
      if (mine === round) fault.value = error instanceof Error ? error.message : String(error)
    }
  }
  watch(
    [program, () => JSON.stringify(its.value), () => view.value?.settled && JSON.stringify(question.value)],
    expect,
    {
      immediate: true,
    },
  )

  const { seconds, now, trouble, clockOff } = useRunTime(running, (from, to) => {
    if (!running.value) return
    mark(AWAY, 'on', marksOf(AWAY), 'hand', from)
    mark(AWAY, 'off', marksOf(AWAY, 'off'), 'hand', to)
  })
  const marks = computed<Mark[]>(() => newest.value?.marks ?? [])
  const course = computed<Course>(() => ({
    marks: marks.value,
    now: running.value ? seconds.value : (newest.value?.over ?? 0),
    over: !running.value,
  }))
  const ofShown = computed(() => newest.value !== undefined && newest.value.program === expected.value?.program)
  const cues = computed<FollowedCue[]>(() =>
    expected.value && ofShown.value ? followCues(expected.value, course.value) : [],
  )
  const next = computed(() => nextCue(cues.value))
  const findings = computed<RunFinding[]>(() =>
    expected.value && ofShown.value ? findInRun(expected.value, course.value) : [],
  )
  /** Those that are in the record already, since this run began. */
  const entered = computed(() => {
    const own = newest.value
    const log = job.state.value.log
    return new Set(log.flatMap((l) => (l.type === 'reading' && own && l.at >= own.at ? [l.test] : [])))
  })
  /** How often a lane has turned so already: the place of its next turn. */
  const marksOf = (lane: string, turn: Mark['turn'] = 'on') =>
    marks.value.filter((m) => m.lane === lane && m.turn === turn).length
  /** What was noticed last; that nobody watched is nothing that was noticed. */
  const last = computed(() => marks.value.findLast((m) => m.lane !== AWAY))

  /** Steps before the machine may be started. */
  const missing = computed(() => stepsFor(actsNow(runActs(job.state.value), job.state.value, person.name)))
  async function start(steps: boolean): Promise<void> {
    if (locked.value || missing.value.length || running.value || !program.value) return
    await act({ type: 'action', action: { verb: 'start', target: program.value } })
    const given = { ...conditions.value }
    const off = clockOff.value
    const event = await job.enter({
      type: 'run',
      program: program.value,
      began: new Date().toISOString(),
      ...(off === undefined ? {} : { clockOff: Math.round(off) }),
      ...(Object.keys(given).length ? { conditions: given } : {}),
      ...(steps ? { steps: true as const } : {}),
    })
    if (event) runBegins(event.id)
  }
  function mark(
    lane: string,
    turn: Mark['turn'],
    nth: number,
    noticed: Mark['noticed'] = 'hand',
    at = now(),
    si?: number,
  ) {
    if (!running.value || trouble.value === 'before-start') return
    const rounded = Math.round(at * 10) / 10
    enter({
      type: 'marked',
      run: running.value.event,
      lane,
      turn,
      nth,
      seconds: rounded,
      noticed,
      ...(si === undefined ? {} : { si }),
    })
  }
  function over(): void {
    if (running.value) enter({ type: 'run-over', run: running.value.event, seconds: Math.round(now() * 10) / 10 })
  }
  const record = ({ test, text, value }: RunFinding): Promise<void> => act({ type: 'reading', test, text, value })
  async function recordAll(): Promise<void> {
    for (const f of findings.value) if (f.instead === undefined && !entered.value.has(f.test)) await record(f)
  }
  return {
    newest,
    running,
    program,
    conditions,
    expected,
    sketched,
    fault,
    seconds,
    now,
    trouble,
    course,
    cues,
    next,
    findings,
    entered,
    missing,
    marksOf,
    last,
    start,
    mark,
    over,
    record,
    recordAll,
  }
}
