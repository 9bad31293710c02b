<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref, watch, useTemplateRef } from 'vue'
import { formatQuantity, parseReading, type Dimension, type ReadingValue } from '../../../../core/foundation/quantity'
import type { TestCard } from '../../../../core/advice'
import { describeProblem } from '../../../../core/words'
import ReadingScale from './ReadingScale.vue'

const props = defineProps<{ card: TestCard }>()
const emit = defineEmits<{
  /** What was read, as typed and as understood. */
  taken: [text: string, value: ReadingValue]
}>()
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
  <form class="entry" aria-label="Enter what it shows" @submit.prevent="take()">
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
</template>

<style scoped>
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
.chip.quiet {
  border-color: transparent;
  text-decoration: underline;
  padding-left: 0;
}
.again {
  display: none;
}
@media (max-width: 900px) {
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
