<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { formatQuantity, parseReading } from '../../../../../core/foundation/quantity'
import type { CalledTest, ExpectedRun } from '../../../../../core/running'
import { describeProblem } from '../../../../../core/words'
import { readsFor } from '../../../../../core/metering'
import { keptMeter, MeterPanel } from '../../../meter'
import MakeSafe from '../safe/MakeSafe.vue'

/** Tips that sit before the power comes: what they show is read hands-off while its call lasts, highest and lowest held. */
const props = defineProps<{
  /** The job that it is about. */
  job: string
  expected: ExpectedRun
  clips: readonly string[]
  running: boolean
  locked: boolean
  /** Steps before tips go on or come off. */
  steps: { id: string; title: string; text: string }[]
  barred: string
  held: Readonly<Record<string, { least: number; most: number }>>
  /** Whether the call of this test is on now, as far as is known. */
  called: ReadonlySet<string>
  entered: ReadonlySet<string>
  /** Phases that were seen to begin in this run, by their lanes. */
  begun: ReadonlySet<string>
  /** Seconds of the run, to the moment. */
  now: () => number
}>()
const emit = defineEmits<{
  clip: [test: string]
  unclip: [test: string]
  safety: [step: string]
  shown: [test: string, si: number, noticed: 'hand' | 'meter']
  take: [test: string, si: number]
}>()
const free = computed(() => props.expected.calls.filter((c) => !props.clips.includes(c.test)))
const on = computed(() =>
  props.clips.flatMap(
    (test) =>
      props.expected.calls.find((c) => c.test === test) ?? {
        test,
        title: test,
        dimension: 'voltage' as const,
        lane: '',
        instrument: undefined,
        shows: [],
      },
  ),
)
const chosen = ref<string>()
/** What has to be done before is asked for once somebody wants to. */
const opened = ref(false)
const typed = ref<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})
function hold(call: CalledTest): void {
  const read = parseReading((typed.value[call.test] ?? '').trim(), { type: 'number', dimension: call.dimension })
  if (!read.ok || read.value.type !== 'value') {
    wrong.value[call.test] = read.ok ? 'A number is held here.' : read.problems.map((p) => describeProblem(p)).join(' ')
    return
  }
  wrong.value = { ...wrong.value, [call.test]: '' }
  typed.value[call.test] = ''
  emit('shown', call.test, read.value.si, 'hand')
}
/** When a good machine is in the phase in which it is read. */
const phaseOf = (call: CalledTest) => props.expected.phases.find((p) => p.id === call.lane)?.spans[0]
/** A line that stood open at these tips in this job. */
const placeOf = (call: CalledTest) => `${props.job} ${call.test}`
const format = (si: number, call: CalledTest) => formatQuantity(si, call.dimension)
</script>

<template>
  <section v-if="expected.calls.length" class="card clips" aria-label="Live readings in this run">
    <h2>Live readings in this run</h2>
    <p v-if="!on.length && running" role="note">
      No tips were put on dead before the start: not this run. Isolate, clip on, start again.
    </p>
    <ul>
      <li v-for="(c, k) in on" :key="c.test">
        <strong>{{ c.title }}</strong>
        <span v-if="called.has(c.test)" class="is-called"> called now</span>
        <template v-if="running">
          <form class="row" @submit.prevent="hold(c)">
            <input
              v-model="typed[c.test]"
              class="field number"
              :aria-label="`Shown: ${c.title}`"
              inputmode="decimal"
              autocomplete="off"
            />
            <Button type="submit" severity="secondary">Hold</Button>
          </form>
          <p v-if="wrong[c.test]" class="small bad" role="alert">{{ wrong[c.test] }}</p>
        </template>
        <details v-if="readsFor(c.instrument) && !barred && !locked" :open="keptMeter(placeOf(c)) !== undefined">
          <summary>By a linked meter</summary>
          <MeterPanel
            :title="c.title"
            :place="placeOf(c)"
            :reads="readsFor(c.instrument)"
            :spans="c.shows"
            :run-now="running ? now : undefined"
            :within="phaseOf(c)"
            :begun="begun.has(c.lane)"
            :with-key="k === 0"
            @take="emit('shown', c.test, $event, 'meter')"
            @enter="emit('take', c.test, $event)"
          />
        </details>
        <p v-if="held[c.test]" class="row small">
          <span class="number"
            >highest {{ format(held[c.test]!.most, c) }}, lowest {{ format(held[c.test]!.least, c) }}</span
          >
          <span v-if="entered.has(c.test)" class="push soft">entered</span>
          <template v-else-if="!locked">
            <button
              type="button"
              class="chip push"
              :aria-label="`Enter the highest: ${c.title}`"
              @click="emit('take', c.test, held[c.test]!.most)"
            >
              Enter the highest
            </button>
            <button
              v-if="held[c.test]!.least !== held[c.test]!.most"
              type="button"
              class="chip"
              :aria-label="`Enter the lowest: ${c.title}`"
              @click="emit('take', c.test, held[c.test]!.least)"
            >
              Enter the lowest
            </button>
          </template>
        </p>
      </li>
    </ul>
    <details v-if="!running && !locked" @toggle="opened = ($event.target as HTMLDetailsElement).open">
      <summary>Put tips on, or take them off, dead</summary>
      <div v-if="opened" class="within">
        <p v-if="barred" class="small" role="note">{{ barred }}</p>
        <MakeSafe
          v-else-if="steps.length"
          :steps="steps"
          before="tips go on or come off"
          @done="emit('safety', $event)"
        />
        <template v-else>
          <button
            v-for="c in on"
            :key="c.test"
            type="button"
            class="chip"
            :aria-label="`Tips off: ${c.title}`"
            @click="emit('unclip', c.test)"
          >
            Off: {{ c.title }}
          </button>
          <template v-if="free.length">
            <Select
              v-model="chosen"
              :options="free"
              option-label="title"
              option-value="test"
              placeholder="Where the tips go"
              aria-label="Where the tips go"
              fluid
            />
            <Button severity="secondary" :disabled="!chosen" @click="(emit('clip', chosen!), (chosen = undefined))"
              >Clipped on, dead</Button
            >
          </template>
          <p class="small soft">
            Clips that hold by themselves, on the right range, leads out of the way of belts and water. Hands come out
            before the power goes back.
          </p>
        </template>
      </div>
    </details>
  </section>
</template>

<style scoped>
.clips {
  display: grid;
  gap: 0.5rem;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
.field {
  min-height: 44px;
  width: 9rem;
  border: 1px solid var(--soft);
  border-radius: 8px;
  background: var(--card);
  padding: 0 0.6rem;
}
summary {
  min-height: 44px;
  align-content: center;
}
.within {
  display: grid;
  gap: 0.5rem;
}
.is-called {
  color: var(--power);
  font-weight: 700;
}
.bad {
  color: var(--danger);
}
</style>
