<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { NewPartCheck } from '../../../../../core/advice'
import { parseReading, type ReadingValue } from '../../../../../core/foundation/quantity'
import type { Job } from '../../../../../core/job'
import { describeProblem } from '../../../../../core/words'
import { AppIcon, UndoButton } from '../../../../ui'

/** The new part, proved before it goes in: each check with what a good one shows. */
const props = defineProps<{
  checks: readonly NewPartCheck[]
  taken: Job['newParts']
  bench: readonly string[]
  locked: boolean
}>()
const emit = defineEmits<{
  take: [check: NewPartCheck, text: string, value: ReadingValue, good: boolean]
  undo: [event: string]
}>()
const typed = ref<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})
const rows = computed(() => props.checks.map((c) => ({ ...c, done: props.taken.findLast((t) => t.check === c.id) })))

const isGood = ({ good }: NewPartCheck, value: ReadingValue): boolean =>
  good.type === 'answer'
    ? value.type === good.is
    : value.type === 'value' && value.si >= good.least && value.si <= good.most

function take(check: NewPartCheck, text = (typed.value[check.id] ?? '').trim()) {
  const read = parseReading(text, check.shape)
  wrong.value[check.id] = read.ok ? '' : read.problems.map((p) => describeProblem(p)).join(' ')
  if (!read.ok) return
  typed.value[check.id] = ''
  emit('take', check, text, read.value, isGood(check, read.value))
}
</script>

<template>
  <section class="card stack" aria-label="The new part">
    <h2>The new part, before it goes in</h2>
    <ul class="plain-list">
      <li v-for="c in rows" :key="c.id">
        <div class="check" role="group" :aria-label="c.title">
          <p>
            <strong>{{ c.title }}.</strong> <span class="small">{{ c.how }}</span>
          </p>
          <p v-if="c.done" class="row" :class="{ bad: !c.done.good }">
            <AppIcon :name="c.done.good ? 'check' : 'danger'" />
            <span
              ><strong class="number">{{ c.done.text }}</strong
              >: {{ c.done.good ? 'as a good one' : 'not as a good one. It does not go in' }}
              <span class="small soft">{{ c.done.by }}</span></span
            >
            <UndoButton v-if="!locked" class="push" :label="`Undo ${c.title}`" @click="emit('undo', c.done.event)" />
          </p>
          <form v-else-if="!locked && c.shape.type === 'number'" class="row" @submit.prevent="take(c)">
            <InputText
              v-model="typed[c.id]"
              class="grow"
              autocomplete="off"
              :aria-label="`Reading: ${c.title}`"
              placeholder="What the meter shows"
              :invalid="!!wrong[c.id]"
            />
            <Button type="submit" severity="secondary" :disabled="!typed[c.id]?.trim()">Take it</Button>
          </form>
          <div v-else-if="!locked" class="chips">
            <button type="button" class="chip" @click="take(c, 'yes')">Yes</button>
            <button type="button" class="chip" @click="take(c, 'no')">No</button>
          </div>
          <p v-if="wrong[c.id]" class="small bad" role="alert">{{ wrong[c.id] }}</p>
        </div>
      </li>
    </ul>
    <details v-if="bench.length" class="small">
      <summary>On the bench</summary>
      <p v-for="b in bench" :key="b">{{ b }}</p>
    </details>
  </section>
</template>

<style scoped>
li > .check {
  display: grid;
  gap: 0.35rem;
  padding: 0.4rem 0;
  border-top: 1px solid var(--line);
}
.grow {
  flex: 1;
  min-width: 8rem;
}
.bad {
  color: var(--danger);
}
</style>
