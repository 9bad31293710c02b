<script setup lang="ts">
import MakeSafe from './MakeSafe.vue'
import ReadingColumn from './ReadingColumn.vue'
import ReadingEntry from './ReadingEntry.vue'
import TestReasons from './TestReasons.vue'
import WhatIsLost from './WhatIsLost.vue'
import { computed, useTemplateRef } from 'vue'
import { AppIcon } from '../../../ui'
import type { Dimension, ReadingValue } from '../../../../core/foundation/quantity'
import type { TestCard } from '../../../../core/advice'
import { formatWorkMode } from '../../../../core/words'

const props = defineProps<{
  card: TestCard
  missing: { id: string; title: string; text: string }[]
  best: boolean
  closed: boolean
  /** Why this person may not take this test; empty where they may. */
  barred: string
}>()
const emit = defineEmits<{
  /** What was read, as typed and as understood. */
  taken: [text: string, value: ReadingValue]
  safety: [step: string]
  best: []
  meter: [id: string]
  first: [test: string]
}>()
/** What is typed lives with the page, so that nothing is lost when the card changes its face. */
const text = defineModel<string>('text', { required: true })
const entry = useTemplateRef<{ focus(): void }>('entry')
const dimension = computed<Dimension | undefined>(() =>
  props.card.shape.type === 'number' ? props.card.shape.dimension : undefined,
)
defineExpose({ focus: () => entry.value?.focus() })
</script>

<template>
  <section class="card test" :aria-label="`Test: ${card.title}`">
    <div class="details" tabindex="0" role="group" aria-label="The test">
      <div class="row">
        <span class="tag">{{
          card.strip
            ? `In one go, ${card.strip.at + 1} of ${card.strip.rows.length}`
            : best
              ? 'Next test'
              : 'Your choice'
        }}</span>
        <span class="tag school">{{
          card.workMode === 'observe' ? 'look, listen, feel' : formatWorkMode(card.workMode)
        }}</span>
        <span class="push small soft"
          ><span class="number">{{ card.minutes.toFixed(card.minutes < 10 ? 1 : 0) }}</span> min</span
        >
        <button v-if="!best" type="button" class="text" @click="emit('best')">Back to the best test</button>
      </div>
      <h2>{{ card.strip?.title ?? card.title }}</h2>
      <p class="how" role="note" aria-label="How to take it">{{ card.how }}</p>
      <ul v-if="card.cautions.length" class="cautions">
        <li v-for="c in card.cautions" :key="c"><AppIcon name="danger" /> {{ c }}</li>
      </ul>
      <p v-if="card.steps.length" class="small soft">First: {{ card.steps.join(' → ') }}</p>
      <div v-if="card.meters.length > 1" class="chips" role="radiogroup" aria-label="Instrument">
        <button
          v-for="m in card.meters"
          :key="m.id"
          type="button"
          role="radio"
          class="chip"
          :aria-checked="m.id === card.meter"
          @click="emit('meter', m.id)"
        >
          {{ m.title }}
        </button>
      </div>
      <p v-if="card.before !== undefined" class="small">
        <template v-if="best">Once more, to rule out a slip. </template>Read before:
        <span class="number">{{ card.before }}</span>
      </p>
      <ReadingColumn v-if="card.strip" :strip="card.strip" />
      <TestReasons :card="card" :dimension="dimension" />
      <WhatIsLost :card="card" @first="emit('first', $event)" />
    </div>
    <div v-if="barred || !closed" class="act">
      <p v-if="barred" role="note" aria-label="Not for you" class="barred">{{ barred }}</p>
      <MakeSafe
        v-else-if="missing.length && !closed"
        :steps="missing"
        :work="formatWorkMode(card.workMode)"
        @done="emit('safety', $event)"
      />
      <ReadingEntry
        v-else-if="!closed"
        ref="entry"
        v-model:text="text"
        :card="card"
        @taken="(answer, value) => emit('taken', answer, value)"
      />
    </div>
  </section>
</template>

<style scoped>
.test {
  display: grid;
}
.details {
  display: grid;
  gap: 0.65rem;
  align-content: start;
}
.tag {
  background: var(--ink);
  color: var(--card);
  border-radius: 99px;
  padding: 0.1rem 0.7rem;
  font-size: 0.82rem;
  font-weight: 600;
}
.tag.school {
  background: none;
  color: var(--ink);
  border: 1.5px solid var(--ink);
}
.barred {
  border-left: 6px solid var(--ink);
  padding-left: 0.7rem;
  font-weight: 600;
}
.cautions {
  list-style: none;
  margin: 0;
  padding: 0;
  color: var(--danger);
  font-size: 0.9rem;
}
.chip[aria-checked='true'] {
  background: var(--shade);
  border-width: 3px;
  font-weight: 600;
}
.text {
  border: 0;
  background: none;
  text-decoration: underline;
  min-height: 44px;
  cursor: pointer;
}
/* The act stands at one place whatever is asked: at the foot of its column, on a phone under the thumb. */
@media (min-width: 901px) {
  .test {
    grid-template-rows: minmax(0, 1fr) auto;
    gap: 0;
    padding: 0;
    height: 100%;
    min-height: 0;
  }
  .details {
    overflow-y: auto;
    padding: 1rem;
  }
  .act {
    height: 17.5rem;
    overflow-y: auto;
    padding: 0.8rem 1rem;
    border-top: 2px solid var(--ink);
  }
}
@media (max-width: 900px) {
  .act {
    position: fixed;
    inset: auto 0 0;
    z-index: 5;
    max-height: 55dvh;
    overflow-y: auto;
    padding: 0.6rem 0.9rem;
    background: var(--card);
    border-top: 2px solid var(--ink);
  }
}
/* Beside the rail, not over it. */
@media (min-width: 701px) and (max-width: 900px) {
  .act {
    left: 84px;
  }
}
</style>
