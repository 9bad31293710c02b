<script setup lang="ts">
import ReadingScale from './ReadingScale.vue'
import MakeSafe from './MakeSafe.vue'
import ReadingColumn from './ReadingColumn.vue'
import TestReasons from './TestReasons.vue'
import WhatIsLost from './WhatIsLost.vue'
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref, watch, useTemplateRef } from 'vue'
import { AppIcon } from '../../../ui'
import { formatQuantity, parseReading, type Dimension, type ReadingValue } from '../../../../core/foundation/quantity'
import type { TestCard } from '../../../../core/advice'
import { describeProblem, formatWorkMode } from '../../../../core/words'

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
const refusal = ref('')
const field = useTemplateRef<{ $el: HTMLElement }>('field')

const dimension = computed<Dimension | undefined>(() =>
  props.card.shape.type === 'number' ? props.card.shape.dimension : undefined,
)
const parsed = computed(() => parseReading(text.value, props.card.shape))
const typed = computed(() =>
  parsed.value.ok && parsed.value.value.type === 'value' ? parsed.value.value.si : undefined,
)
watch(
  () => props.card.id,
  () => (refusal.value = ''),
)
watch(text, () => (refusal.value = ''))

function take(value = text.value) {
  const r = parseReading(value, props.card.shape)
  if (!r.ok) {
    refusal.value = r.problems.map((p) => describeProblem(p)).join(' ')
    return
  }
  emit('taken', value.trim(), r.value)
}
const focus = () => field.value?.$el.focus()
defineExpose({ focus })
const PLACEHOLDER = { number: '0.0', word: 'code', times: '10/10', 'yes-no': '' } as const
const chips = computed(() => {
  const { shape } = props.card
  if (shape.type === 'yes-no') return []
  if (shape.type === 'word') return shape.words
  if (shape.type === 'times') return ['10/10']
  if (shape.dimension === 'time') return ['never began', 'never ended']
  return [...(shape.dimension === 'resistance' ? ['OL'] : []), ...(shape.dimension === 'voltage' ? ['0'] : []), 'never']
})
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
    <div class="act">
      <p v-if="barred" role="note" aria-label="Not for you" class="barred">{{ barred }}</p>
      <MakeSafe
        v-else-if="missing.length && !closed"
        :steps="missing"
        :work="formatWorkMode(card.workMode)"
        @done="emit('safety', $event)"
      />
      <form v-else-if="!closed" class="entry" aria-label="Enter what it shows" @submit.prevent="take()">
        <p class="again">{{ card.title }}</p>
        <div v-if="card.shape.type === 'yes-no'" class="two">
          <Button type="button" size="large" severity="contrast" variant="outlined" @click="take('yes')"
            >Yes <kbd>Y</kbd></Button
          >
          <Button type="button" size="large" severity="contrast" variant="outlined" @click="take('no')"
            >No <kbd>X</kbd></Button
          >
          <button v-if="card.waits" type="button" class="chip" @click="take('never')">It never came to that</button>
        </div>
        <template v-else>
          <ReadingScale
            v-if="dimension && card.healthy.mean !== undefined"
            :healthy="card.healthy"
            :suspects="card.suspects"
            :dimension="dimension"
            :typed="typed"
          />
          <div class="line">
            <InputText
              ref="field"
              v-model="text"
              class="number big"
              :placeholder="PLACEHOLDER[card.shape.type]"
              autocomplete="off"
              autocapitalize="off"
              enterkeyhint="done"
              aria-label="Reading"
              :aria-invalid="!!refusal"
              aria-describedby="refusal"
            />
            <Button type="submit" size="large">Enter <kbd>↵</kbd></Button>
          </div>
          <p class="small soft read">
            {{
              typed !== undefined && dimension
                ? `Understood as ${formatQuantity(typed, dimension)}`
                : card.shape.type === 'times'
                  ? 'Type how many of how many times: 10/10'
                  : dimension === 'time'
                    ? 'Type 90, 2:30, or > 2 min if it still runs'
                    : 'Type what the meter shows: OL, 2k7, 118.6, 0.4'
            }}
            <kbd>R</kbd>
          </p>
          <p v-if="refusal" id="refusal" role="alert" class="refusal">{{ refusal }}</p>
          <div class="chips">
            <button v-for="c in chips" :key="c" type="button" class="chip" @click="take(c)">{{ c }}</button>
          </div>
        </template>
        <button type="button" class="chip quiet" @click="take('could not')">Could not take it</button>
      </form>
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
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.4rem;
}
.line,
.two {
  display: flex;
  gap: 0.6rem;
}
.two > * {
  flex: 1;
  min-height: 60px;
  font-size: 1.15rem;
}
.big {
  flex: 1;
  min-width: 0;
  font-size: 1.9rem;
  font-weight: 600;
}
.refusal {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.chip {
  min-height: 44px;
  min-width: 56px;
  padding: 0 0.9rem;
  border: 1.5px solid var(--soft);
  border-radius: 10px;
  background: none;
  cursor: pointer;
}
.chip[aria-checked='true'] {
  background: var(--shade);
  border-width: 3px;
  font-weight: 600;
}
.chip.quiet {
  border-color: transparent;
  text-decoration: underline;
  padding-left: 0;
}
.text {
  border: 0;
  background: none;
  text-decoration: underline;
  min-height: 44px;
  cursor: pointer;
}
.again {
  display: none;
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
  .entry {
    gap: 0.3rem;
  }
  .again {
    display: block;
    font-weight: 700;
    font-size: 0.95rem;
  }
  .quiet {
    justify-self: start;
  }
  .read {
    display: none;
  }
}
</style>
