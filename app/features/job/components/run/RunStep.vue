<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { DEFAULT_UNIT, fromSi } from '../../../../../core/foundation/quantity'
import { describeNextCall, formatClock } from '../../../../../core/words'
import { markedSpans } from '../../../../../core/running'
import { speakOnce, useAwake, useBeeps } from '../../../../ui'
import { useJobContext } from '../../use-job-context'
import { useRun } from '../../use-run'
import { EarPanel } from '../../../ear'
import RunClips from './RunClips.vue'
import RunFindings from './RunFindings.vue'
import RunMarks from './RunMarks.vue'
import RunProven from './RunProven.vue'
import RunStart from './RunStart.vue'

/** A program watched against the clock: what should come when, what came, and what that says. */
const RunLanes = defineAsyncComponent(() => import('./RunLanes.vue'))
const context = useJobContext()
const router = useRouter()
const { job, advice, locked, person, repairSteps, stepsFor } = context
const { facts, view } = advice
const run = useRun(context)
const { running, newest, expected, cues, course, seconds, trouble, findings, entered, next } = run
const steps = ref(false)
useAwake()
const beeps = useBeeps()

const clips = computed(() => job.state.value.clips ?? [])
const clipTitles = computed(() => clips.value.map((id) => facts.value?.tests.find((t) => t.id === id)?.title ?? id))
const on = computed(
  () =>
    new Set(
      (expected.value?.lanes ?? [])
        .filter((l) => markedSpans(l.id, course.value).at(-1)?.to === course.value.now)
        .map((l) => l.id),
    ),
)
/** The highest and lowest that each pair of tips has shown in this run. */
const held = computed(() => {
  const all: Record<string, { least: number; most: number }> = {}
  for (const m of newest.value?.marks ?? []) {
    if (m.si === undefined) continue
    const was = all[m.lane]
    all[m.lane] = { least: Math.min(was?.least ?? m.si, m.si), most: Math.max(was?.most ?? m.si, m.si) }
  }
  return all
})
const begunPhases = computed(
  () => new Set((newest.value?.marks ?? []).filter((m) => m.turn === 'on').map((m) => m.lane)),
)
const phaseNow = computed(() => {
  const begun = cues.value.filter(
    (c) => c.lane.startsWith('phase:') && (c.mark ? c.mark.turn === 'on' : c.expected <= seconds.value),
  )
  return running.value ? begun.at(-1)?.lane : undefined
})
const called = computed(
  () => new Set((expected.value?.calls ?? []).filter((c) => c.lane === phaseNow.value).map((c) => c.test)),
)

/** Said so long before, s. */
const WARNING = 10
const warned = new Set<string>()
/** The next phase in which something that is clipped on is read. */
const nextCall = computed(() => {
  if (!running.value) return undefined
  const lanes = new Map(
    (expected.value?.calls ?? []).filter((c) => clips.value.includes(c.test)).map((c) => [c.lane, c.title]),
  )
  const cue = cues.value.find((c) => lanes.has(c.lane) && !c.mark && c.expected > seconds.value)
  return (
    cue && {
      key: `${running.value.event} ${cue.lane} ${cue.nth}`,
      title: lanes.get(cue.lane)!,
      in: cue.expected - seconds.value,
    }
  )
})
const announcement = computed(() =>
  nextCall.value && nextCall.value.in <= WARNING ? describeNextCall(nextCall.value.title, nextCall.value.in) : '',
)
watch(nextCall, (call) => {
  if (!call || call.in > WARNING || warned.has(call.key)) return
  warned.add(call.key)
  beeps.accepted()
  speakOnce(describeNextCall(call.title, call.in))
})

/** What may be tested while nothing is due for long: looks that leave the machine as it runs. */
const LONG_WAIT = 60
const meanwhile = computed(() => {
  if (!running.value || !next.value || next.value.expected - seconds.value < LONG_WAIT) return []
  const observing = new Set(
    (facts.value?.tests ?? []).filter((t) => t.workMode === 'observe' && !t.asFound).map((t) => t.id),
  )
  return (view.value?.next ?? []).filter((t) => observing.has(t.id) && !entered.value.has(t.id)).slice(0, 3)
})
function doMeanwhile(test: string) {
  context.choose(test)
  void router.replace(`/jobs/${context.id}/find`)
}
function undo() {
  if (run.last.value && running.value) context.takeBack(run.last.value.event)
}
/** No meter shows more digits. */
const DIGITS = 6
/** As the meter would show it: in the unit that a bare number is read in. */
function take(test: string, si: number) {
  const dimension = expected.value?.calls.find((c) => c.test === test)?.dimension ?? 'voltage'
  const unit = DEFAULT_UNIT[dimension]
  const text = `${Number(fromSi(si, unit).toPrecision(DIGITS))} ${unit.symbol}`
  void context.act({ type: 'reading', test, text, live: true })
}
/** What the person says that it is that the ear hears. */
const heardLane = ref<string>()
function hear(turn: 'on' | 'off', ago: number) {
  const lane = heardLane.value
  if (!lane || !running.value) return
  run.mark(lane, turn, run.marksOf(lane, turn), 'ear', Math.max(0, run.now() - ago))
}
const forced = computed(() => (facts.value?.programs ?? []).filter((p) => p.service))
/** What a run says after a repair was decided is no evidence about the machine as it was before. */
const proving = computed(() => {
  const { decided } = job.state.value
  return !!decided && !!newest.value && newest.value.at >= decided.at
})
const shown = computed(() => newest.value !== undefined && newest.value.program === expected.value?.program)
const barredLive = computed(() =>
  person.role === 'trainee' ? 'Live readings are not for a trainee: somebody trained for it takes these.' : '',
)
</script>

<template>
  <section v-if="facts && view" class="step panes" aria-label="Run">
    <div class="left">
      <p v-if="announcement" class="card call" role="alert">{{ announcement }}</p>
      <RunMarks
        v-if="running && expected && !locked"
        :cues="cues"
        :expected="expected"
        :seconds="seconds"
        :steps="running.steps"
        :trouble="trouble"
        :on="on"
        :last="run.last.value"
        @mark="run.mark"
        @other="(lane, turn) => run.mark(lane, turn, run.marksOf(lane, turn))"
        @undo="undo"
        @over="run.over"
      />
      <RunStart
        v-else-if="!locked"
        v-model:program="run.program.value"
        v-model:conditions="run.conditions.value"
        v-model:steps="steps"
        :facts="facts"
        :missing="run.missing.value"
        :left="context.left.value"
        :clips="clipTitles"
        @safety="context.safety"
        @start="run.start(steps)"
      />
      <RunFindings
        :findings="findings"
        :entered="entered"
        :locked="locked"
        :running="!!running"
        :proving="proving"
        @record="run.record"
        @all="run.recordAll"
      />
      <RunProven v-if="newest && !running && entered.size" :links="view.links" :parts="facts.parts" />
      <Button v-if="proving && !running" @click="router.replace(`/jobs/${context.id}/prove`)">Go on: prove it</Button>
    </div>
    <div class="right">
      <section class="card" aria-label="The program">
        <h2>{{ expected?.title ?? 'The program' }}</h2>
        <p v-if="run.fault.value" role="alert">{{ run.fault.value }}</p>
        <p v-else-if="!expected" class="soft">Running the program …</p>
        <RunLanes v-else :expected="expected" :course="course" :running="!!running" :shown="shown" />
        <p v-if="expected && run.sketched.value" class="small soft" role="status">
          Running good machines and the suspects for the windows …
        </p>
      </section>
      <section v-if="meanwhile.length" class="card" aria-label="Meanwhile">
        <h2>Nothing is due for {{ formatClock(next!.expected - seconds) }}: meanwhile</h2>
        <div class="chips">
          <button v-for="t in meanwhile" :key="t.id" type="button" class="chip" @click="doMeanwhile(t.id)">
            {{ t.title }}
          </button>
        </div>
      </section>
      <RunClips
        v-if="expected"
        :job="context.id"
        :expected="expected"
        :clips="clips"
        :running="!!running"
        :locked="locked"
        :steps="repairSteps.length ? repairSteps : stepsFor(['terminals'])"
        :barred="barredLive"
        :held="held"
        :called="called"
        :entered="entered"
        @clip="context.enter({ type: 'clipped', test: $event })"
        @unclip="context.enter({ type: 'unclipped', test: $event })"
        @safety="context.safety"
        :begun="begunPhases"
        :now="run.now"
        @shown="(test, si, noticed) => run.mark(test, 'on', run.marksOf(test), noticed, run.now(), si)"
        @take="take"
      />
      <section class="card ear" aria-label="Listening">
        <h2>Listen meanwhile</h2>
        <Select
          v-if="expected"
          v-model="heardLane"
          :options="expected.lanes.map(({ id, title }) => ({ id, title }))"
          option-label="title"
          option-value="id"
          placeholder="What it is that is heard"
          aria-label="What it is that is heard"
          fluid
        />
        <EarPanel compact @heard="hear" />
      </section>
      <section v-if="forced.length" class="card" aria-label="Forcing a phase">
        <h2>To have a phase without waiting for it</h2>
        <ul class="small forced">
          <li v-for="p in forced" :key="p.id">
            <strong>{{ p.title }}.</strong> Into it: {{ p.service!.enter }}. Out of it: {{ p.service!.leave }}.
          </li>
        </ul>
      </section>
    </div>
  </section>
</template>

<style scoped>
.call {
  border: 3px solid var(--danger);
  font-size: 1.3rem;
  font-weight: 700;
}
.ear {
  display: grid;
  gap: 0.6rem;
}
.forced {
  margin: 0.3rem 0 0;
  padding-left: 1.1rem;
}
</style>
