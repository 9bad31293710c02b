<script setup lang="ts">
import { computed } from 'vue'
import { barredFor, readiesFor } from '../../../../../core/job'
import { describeRefusal } from '../../../../../core/words'
import { AppIcon, formatTime, HoldButton } from '../../../../ui'
import { useJobContext } from '../../use-job-context'

/** Everything that makes this machine safe, step by step: what is done, by whom and when, and what is not. */
const { person, job, advice, locked, power, water, safety, takeBack, left } = useJobContext()
const { state } = job
const { facts } = advice
const steps = computed(() =>
  (facts.value?.makeSafe ?? []).map((s) => ({
    ...s,
    barred: readiesFor(s) && barredFor(person.role).includes('energised'),
    done: (state.value.safety[s.id] ?? []).flatMap((event) => {
      const by = state.value.confirmed?.[event]
      return by ? [{ event, ...by }] : []
    }),
  })),
)
const others = computed(() => Object.keys(state.value.handsIn ?? {}))
const how = computed(() => {
  const own = power.value
  return 'step' in own ? steps.value.find((s) => s.id === own.step)?.text : undefined
})
const SAYS = {
  unknown: 'Treat it as live: nobody has made it dead.',
  isolated: 'Isolated, and not proved dead: treat it as live.',
  dead: 'Proved dead.',
  live: 'Live: isolate and prove it dead before hands go in.',
} as const
</script>

<template>
  <section class="step safe-step" aria-label="Safe">
    <section class="card state" :class="power.state" aria-label="State of the machine">
      <h2>{{ SAYS[power.state] }}</h2>
      <p v-if="power.state !== 'unknown'" class="small">
        {{ formatTime(power.at, person.timeZone) }}, {{ power.by }}<template v-if="how">: {{ how }}</template>
      </p>
      <p class="small">
        <template v-if="water"
          >Water {{ water.state === 'shut' ? 'shut' : 'on again' }}: {{ formatTime(water.at, person.timeZone) }},
          {{ water.by }}</template
        ><template v-else>Nobody has shut the water: treat its lines as under pressure.</template>
      </p>
      <p v-if="others.length" class="small">
        It gets no power before everybody with hands in it has said that they are out: {{ others.join(', ') }}
      </p>
      <p v-if="left.length" class="small"><strong>Still off or in:</strong> {{ left.join('; ') }}.</p>
    </section>
    <ol class="list">
      <li v-for="s in steps" :key="s.id" class="card">
        <h3><AppIcon v-if="!s.done.length" name="danger" /><AppIcon v-else name="check" /> {{ s.title }}</h3>
        <p>{{ s.text }}</p>
        <p v-for="d in s.done" :key="d.event" class="small row">
          <span>{{ d.by }}, {{ formatTime(d.at, person.timeZone) }}</span>
          <button
            v-if="!locked"
            type="button"
            class="word-button"
            :aria-label="`Undo ${s.title}`"
            @click="takeBack(d.event)"
          >
            <AppIcon name="undo" /> undo
          </button>
        </p>
        <p v-if="s.barred" class="small soft">{{ describeRefusal({ code: 'no-live-work' }) }}</p>
        <HoldButton v-else-if="!locked && !s.done.some((d) => d.by === person.name)" @held="safety(s.id)"
          >Done: {{ s.title }}</HoldButton
        >
      </li>
    </ol>
    <p class="small soft">
      Undoing takes back what was confirmed after it too; it changes nothing at the machine. Local codes and licensed
      trades come first.
    </p>
  </section>
</template>

<style scoped>
.safe-step {
  display: grid;
  gap: 0.8rem;
  align-content: start;
  overflow-y: auto;
  max-width: 900px;
}
.state {
  border: 3px solid var(--danger);
  display: grid;
  gap: 0.3rem;
}
.state.dead {
  border-color: var(--ink);
}
.state:not(.dead) h2 {
  color: var(--danger);
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.6rem;
}
.list > li {
  display: grid;
  gap: 0.35rem;
}
</style>
