<script setup lang="ts">
import InputText from 'primevue/inputtext'
import Button from 'primevue/button'
import { computed, ref, watch, useTemplateRef } from 'vue'
import {
  formatQuantity,
  parseReading,
  type Dimension,
  type ReadingValue,
} from '../../../../../core/foundation/quantity'
import type { TestCard } from '../../../../../core/advice'
import { describeImpossible, describeProblem } from '../../../../../core/words'
import { AppIcon, KeyPad, useMedia } from '../../../../ui'
import { keysFor, quickAnswers, WHOLE_ANSWERS } from '../../reading-keys'
import type { Offer } from '../../turn'
import BetterOffer from './BetterOffer.vue'
import ReadingScale from '../drawings/ReadingScale.vue'
import StopWatch from './StopWatch.vue'
import WorkCounter from './WorkCounter.vue'

const props = defineProps<{
  card: TestCard
  /** What came just now can be answered by nobody yet. */
  unbound: boolean
  offer: Offer | undefined
}>()
const emit = defineEmits<{
  /** What was read, as typed and as understood. */
  taken: [text: string, value: ReadingValue]
  best: []
  busy: []
}>()
const text = defineModel<string>('text', { required: true })
const refusal = ref('')
const field = useTemplateRef<{ $el: HTMLElement }>('field')
/** Under the thumb the field has keys of its own. */
const thumb = useMedia('(max-width: 900px)')

const dimension = computed<Dimension | undefined>(() =>
  props.card.shape.type === 'number' ? props.card.shape.dimension : undefined,
)
const parsed = computed(() => parseReading(text.value, props.card.shape))
const typed = computed(() =>
  parsed.value.ok && parsed.value.value.type === 'value' ? parsed.value.value.si : undefined,
)
watch([() => props.card.id, text], () => (refusal.value = ''))

function take(value = text.value) {
  if (props.unbound) return
  const r = parseReading(value, props.card.shape)
  if (!r.ok) {
    refusal.value = r.problems.map((p) => describeProblem(p)).join(' ')
    return
  }
  const impossible = describeImpossible(r.value, props.card.range)
  if (impossible) {
    refusal.value = impossible
    return
  }
  emit('taken', value.trim(), r.value)
}
function press(key: string) {
  if (WHOLE_ANSWERS.has(key)) take(key)
  else if (key === '⌫') text.value = text.value.slice(0, -1)
  else if (key.includes('/') && /\d/.test(key)) text.value = key
  else text.value += key
}
const focus = () => field.value?.$el.focus()
defineExpose({ focus })
const PLACEHOLDER = { number: '0.0', word: 'code', times: '10/10', 'yes-no': '' } as const
const said = computed(() => {
  if (refusal.value) return refusal.value
  if (typed.value !== undefined && dimension.value)
    return `Understood as ${formatQuantity(typed.value, dimension.value)}`
  if (props.card.shape.type === 'times') return 'How many of how many times: 10/10'
  if (props.card.shape.type === 'word') return 'As it is shown; O and 0 count as the same'
  return dimension.value === 'time'
    ? 'Type 90, 2:30, or > 2 min if it still runs'
    : 'Type what the meter shows: OL, 2k7, 118.6, 0.4'
})
</script>

<template>
  <form
    class="entry"
    :class="{ words: card.shape.type === 'yes-no' }"
    aria-label="Enter what it shows"
    :aria-disabled="unbound || undefined"
    @submit.prevent="take()"
  >
    <p :key="card.title" class="again">{{ card.title }}</p>
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
        v-if="!thumb && dimension && card.healthy.mean !== undefined"
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
          :inputmode="thumb && card.shape.type !== 'word' ? 'none' : undefined"
          aria-label="Reading"
          :aria-invalid="!!refusal"
          aria-describedby="said"
          @keydown.enter="$event.repeat && $event.preventDefault()"
        />
        <Button type="submit" size="large">Enter <kbd>↵</kbd></Button>
      </div>
      <p id="said" :role="refusal ? 'alert' : undefined" class="small read" :class="{ refusal, soft: !refusal }">
        {{ said }} <kbd v-if="!refusal">R</kbd>
      </p>
      <div class="chips">
        <StopWatch v-if="dimension === 'time'" v-model:text="text" />
        <WorkCounter v-if="card.shape.type === 'times'" v-model:text="text" />
        <template v-if="!thumb || card.shape.type === 'word'">
          <button v-for="c in quickAnswers(card.shape)" :key="c" type="button" class="chip" @click="take(c)">
            {{ c }}
          </button>
        </template>
      </div>
      <KeyPad v-if="thumb && card.shape.type !== 'word'" :rows="keysFor(card.shape)" @press="press" />
    </template>
    <div class="foot">
      <button type="button" class="chip quiet" @click="take('could not')">Could not take it</button>
      <button type="button" class="chip quiet busy" aria-label="Hands busy" @click="emit('busy')">
        <AppIcon name="ear" /> <kbd>H</kbd>
      </button>
      <BetterOffer :offer="offer" @take="emit('best')" />
    </div>
  </form>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.4rem;
  height: 100%;
  align-content: end;
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
.read {
  min-height: 1.4em;
}
.refusal {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
}
.foot {
  display: grid;
  grid-template-columns: auto auto minmax(0, 1fr);
  gap: 0.5rem;
  align-items: center;
  height: 46px;
}
.chip.quiet {
  border-color: transparent;
  text-decoration: underline;
  padding: 0;
}
.chip.busy {
  min-width: 44px;
  text-decoration: none;
}
.again {
  display: none;
}
@media (max-width: 900px) {
  .entry {
    gap: 0.3rem;
  }
  .again {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    overflow: hidden;
    line-height: 1.15;
    font-weight: 700;
    font-size: 0.95rem;
  }
  .big {
    height: 56px;
    font-size: 1.6rem;
  }
  .read:not(.refusal) {
    display: none;
  }
  .words .two > * {
    min-height: 84px;
  }
}
</style>
