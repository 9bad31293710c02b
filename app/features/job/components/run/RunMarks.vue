<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import type { ExpectedRun, FollowedCue, Mark } from '../../../../../core/running'
import { describeCue, describeSuspectTurn, formatClock } from '../../../../../core/words'
import { useKeys } from '../../../../ui'

/** What is waited for now, to be marked in the moment in which it is noticed; and what is late, with what would explain it. */
const props = defineProps<{
  cues: readonly FollowedCue[]
  expected: ExpectedRun
  seconds: number
  /** One at a time, as a check-out asks. */
  steps: boolean
  trouble: 'set-back' | 'set-forward' | 'before-start' | undefined
  /** Lanes that somebody noticed to be on. */
  on: ReadonlySet<string>
  /** What was marked last: the one that is taken back. */
  last: Mark | undefined
}>()
const emit = defineEmits<{
  mark: [lane: string, turn: 'on' | 'off' | 'not', nth: number]
  undo: []
  over: []
  other: [lane: string, turn: 'on' | 'off']
}>()

/** So many stand there at a time. */
const SHOWN = 4
const open = computed(() => props.cues.filter((c) => c.state !== 'seen' && c.state !== 'missing'))
const shown = computed(() => [...open.value].sort((a, b) => a.expected - b.expected).slice(0, props.steps ? 1 : SHOWN))
const late = computed(() => open.value.filter((c) => c.state === 'late'))
/** Suspects under which something that was seen would never have come are none any more. */
const refuted = computed(
  () =>
    new Set(
      props.cues
        .filter((c) => c.state === 'seen')
        .flatMap((c) => c.suspects.filter((s) => s.at === undefined).map((s) => s.title)),
    ),
)
const reasons = (cue: FollowedCue) =>
  cue.suspects
    .filter((s) => (s.at === undefined || s.at > cue.late) && !refuted.value.has(s.title))
    .map((s) => describeSuspectTurn(s.title, s.at))
function when(cue: FollowedCue): string {
  if (cue.state === 'late') return `late: by ${formatClock(cue.until)} on a good machine`
  if (cue.state === 'due') return 'due now'
  return `in ${formatClock(cue.expected - props.seconds)}`
}
const lastText = computed(() => {
  const { last } = props
  if (!last) return ''
  const lane = [...props.expected.lanes, ...props.expected.stops].find((l) => l.id === last.lane)?.title ?? ''
  const title =
    props.cues.find((c) => c.mark?.event === last.event)?.title ??
    props.expected.calls.find((c) => c.test === last.lane)?.title ??
    describeCue(lane, last.turn === 'off' ? 'off' : 'on')
  return last.turn === 'not' ? `${title} did not come` : `${title} at ${formatClock(last.seconds)}`
})
/** Phases that nobody has seen to begin: one further on can be marked before those that come first. */
const unseen = computed(() =>
  props.expected.phases.filter((p) => !props.cues.some((c) => c.lane === p.id && c.turn === 'on' && c.mark)),
)
const done = computed(() => props.cues.filter((c) => c.mark))
const asked = computed(() => `${done.value.length + 1} of ${props.cues.length}`)
const TROUBLE = {
  'set-back': 'The clock of this device was set back during the run. Times go by a clock that nobody sets.',
  'set-forward': 'The clock of this device was set forward during the run. Times go by a clock that nobody sets.',
  'before-start':
    'By the clock of this device the run has not begun yet: one of two clocks is wrong. Nothing can be timed here; end the run and start it anew.',
}
const take = (k: number) => {
  const cue = shown.value[k]
  if (cue) emit('mark', cue.lane, cue.turn, cue.nth)
}
useKeys({ '1': () => take(0), '2': () => take(1), '3': () => take(2), '4': () => take(3), u: () => emit('undo') })
</script>

<template>
  <section class="card marks" aria-label="What is noticed">
    <div class="row">
      <span class="clock number" role="timer" aria-label="Since the start">{{ formatClock(seconds) }}</span>
      <span class="soft small">of about {{ formatClock(expected.lasts) }}</span>
      <Button class="push" severity="secondary" @click="emit('over')">End the run</Button>
    </div>
    <p v-if="trouble" role="alert">{{ TROUBLE[trouble] }}</p>
    <h2 v-if="steps && shown.length">Step {{ asked }}</h2>
    <ol v-if="trouble !== 'before-start'">
      <li v-for="(cue, k) in shown" :key="`${cue.lane} ${cue.turn} ${cue.nth}`" :class="cue.state">
        <Button class="now" :severity="k === 0 ? undefined : 'secondary'" @click="take(k)"
          ><span
            ><kbd>{{ k + 1 }}</kbd> Now: {{ cue.title }}</span
          ></Button
        >
        <span class="row small">
          <span class="when" :class="cue.state">{{ when(cue) }}</span>
          <button
            v-if="cue.turn === 'on' && (cue.state === 'late' || steps)"
            type="button"
            class="chip push"
            :aria-label="`It did not come: ${cue.title}`"
            @click="emit('mark', cue.lane, 'not', cue.nth)"
          >
            It did not come
          </button>
        </span>
      </li>
    </ol>
    <p v-if="!shown.length">Nothing more is waited for. End the run to see what it says.</p>
    <section v-if="late.length" class="late-why" aria-label="What is late">
      <template v-for="cue in late.slice(0, 2)" :key="`${cue.lane}${cue.turn}${cue.nth}`">
        <h3>Late: {{ cue.title }}</h3>
        <ul v-if="reasons(cue).length" class="small">
          <li v-for="r in reasons(cue)" :key="r">{{ r }}</li>
        </ul>
        <p v-else class="small">None of the suspects would make it late.</p>
      </template>
    </section>
    <details>
      <summary>Something else was noticed</summary>
      <div class="chips">
        <button
          v-for="stop in expected.stops"
          :key="stop.id"
          type="button"
          class="chip"
          @click="emit('other', stop.id, 'on')"
        >
          It stops: {{ stop.title }}
        </button>
        <button
          v-for="phase in unseen"
          :key="phase.id"
          type="button"
          class="chip"
          @click="emit('other', phase.id, 'on')"
        >
          {{ phase.title }} begins
        </button>
        <button
          v-for="lane in expected.lanes"
          :key="lane.id"
          type="button"
          class="chip"
          :aria-pressed="on.has(lane.id)"
          @click="emit('other', lane.id, on.has(lane.id) ? 'off' : 'on')"
        >
          {{ on.has(lane.id) ? describeCue(lane.title, 'off') : lane.title }}
        </button>
      </div>
    </details>
    <p v-if="last" class="row small">
      <span class="soft">Last: {{ lastText }}</span>
      <button type="button" class="chip push" @click="emit('undo')">Take it back <kbd>U</kbd></button>
    </p>
  </section>
</template>

<style scoped>
.marks {
  display: grid;
  gap: 0.6rem;
}
.clock {
  font-size: 2.6rem;
  font-weight: 700;
  line-height: 1;
}
li {
  display: grid;
  gap: 0.3rem;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
}
.now {
  width: 100%;
  min-height: 56px;
  text-align: left;
  justify-content: flex-start;
}
.when.late {
  color: var(--danger);
  font-weight: 700;
}
.when.due {
  font-weight: 700;
}
.late-why {
  border-left: 4px solid var(--danger);
  padding-left: 0.7rem;
}
.late-why ul {
  margin: 0.2rem 0;
  padding-left: 1.1rem;
}
summary {
  min-height: 44px;
  align-content: center;
}
</style>
