<script setup lang="ts">
import ActCard from './ActCard.vue'
import MakeSafe from '../safe/MakeSafe.vue'
import PieceDrawing from '../drawings/PieceDrawing.vue'
import ReadingColumn from './ReadingColumn.vue'
import ReadingEntry from './ReadingEntry.vue'
import RecordFirst from '../wiring/RecordFirst.vue'
import ReadingScale from '../drawings/ReadingScale.vue'
import TestReasons from './TestReasons.vue'
import WhatIsLost from './WhatIsLost.vue'
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue'
import { toolsFor } from '../../../../../core/measuring'
import { readsFor } from '../../../../../core/metering'
import { AppIcon, nextInRing, useMedia, useOneStop } from '../../../../ui'
import type { Dimension, ReadingValue } from '../../../../../core/foundation/quantity'
import type { TestCard } from '../../../../../core/advice'
import type { MachineFacts } from '../../../../engine'
import { formatWorkMode } from '../../../../../core/words'
import type { Offer } from '../../turn'

const props = defineProps<{
  card: TestCard
  missing: MachineFacts['makeSafe']
  /** What is still off or in. */
  left: readonly string[]
  /** Nothing says yet what goes where. */
  unrecorded: boolean
  /** Whether it is what is advised, not a choice of one's own. */
  best: boolean
  offer: Offer | undefined
  /** It has just come: nobody can have read it yet. */
  unbound: boolean
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
  record: []
  busy: []
}>()
/** One sheet of paper: a column of readings, or a test each time that it is asked. */
const paper = computed(() => props.card.strip?.id ?? `${props.card.id} ${props.card.before ?? ''}`)
/** What was to be done before it, as long as it is the same paper: done, it stays where it was read. */
const steps = ref<string[]>([])
watch(
  [paper, () => props.card.steps],
  ([own, now], [before]) => (steps.value = own === before ? [...new Set([...steps.value, ...now])] : [...now]),
  { immediate: true },
)
/** What is typed lives with the page, so that nothing is lost when the card changes its face. */
const text = defineModel<string>('text', { required: true })
const thumb = useMedia('(max-width: 900px)')
const entry = useTemplateRef<{ focus(): void }>('entry')
const dimension = computed<Dimension | undefined>(() =>
  props.card.shape.type === 'number' ? props.card.shape.dimension : undefined,
)
/** Tools that help with this reading; what they come to is typed where a reading is typed. */
const ToolPanel = defineAsyncComponent(() => import('../../../tools').then((tools) => tools.ToolPanel))
const helps = computed(
  () => !props.closed && (toolsFor(props.card.shape).length > 0 || readsFor(props.card.meter) !== undefined),
)
const reckons = ref(false)
const meters = useTemplateRef<HTMLElement>('meters')
/** An instrument is chosen by going to it. */
const { stop, go } = useOneStop(
  meters,
  () => props.card.meter,
  (from, key) => {
    const all = props.card.meters.map((m) => m.id)
    const to = nextInRing(all, from, key)
    if (to !== undefined) emit('meter', to)
    return to
  },
  (id) => props.card.meters.some((m) => m.id === id),
)
const safe = useTemplateRef<{ press(): void; release(): void }>('safe')
defineExpose({
  focus: () => entry.value?.focus(),
  hold: () => safe.value?.press(),
  release: () => safe.value?.release(),
})
</script>

<template>
  <ActCard
    :aria-label="`Test: ${card.title}`"
    about="The test"
    :paper="paper"
    :low="!!barred || (card.shape.type === 'yes-no' && !missing.length)"
  >
    <div class="row sort">
      <span class="tag">{{
        card.strip ? `In one go, ${card.strip.at + 1} of ${card.strip.rows.length}` : best ? 'Next test' : 'Your choice'
      }}</span>
      <span class="tag school">{{
        card.workMode === 'observe' ? 'look, listen, feel' : formatWorkMode(card.workMode)
      }}</span>
      <span class="push small soft"
        ><span class="number">{{ card.minutes.toFixed(card.minutes < 10 ? 1 : 0) }}</span> min</span
      >
    </div>
    <h2>{{ card.strip?.title ?? card.title }}</h2>
    <p class="how" role="note" aria-label="How to take it">{{ card.how }}</p>
    <ul v-if="card.cautions.length" class="cautions">
      <li v-for="c in card.cautions" :key="c"><AppIcon name="danger" /> {{ c }}</li>
    </ul>
    <p v-if="card.place" class="small soft">{{ card.place }}</p>
    <PieceDrawing v-if="card.piece" :piece="card.piece" />
    <p v-if="card.meterWarning" role="note" aria-label="What misleads here" class="small misleads">
      <AppIcon name="danger" /> {{ card.meterWarning }}
    </p>
    <RecordFirst v-if="card.takesOff && unrecorded && !closed" @record="emit('record')" />
    <ol v-if="steps.length" class="steps small" aria-label="Before it">
      <li v-for="s in steps" :key="s" :class="{ done: !card.steps.includes(s) }">
        {{ s
        }}<template v-if="!card.steps.includes(s)"> <AppIcon name="check" /><span class="hush">done</span></template>
      </li>
    </ol>
    <div
      v-if="card.meters.length > 1"
      ref="meters"
      class="chips"
      role="radiogroup"
      aria-label="Instrument"
      @keydown="go"
    >
      <button
        v-for="m in card.meters"
        :key="m.id"
        type="button"
        role="radio"
        class="chip"
        :class="{ lacking: !m.atHand }"
        :aria-checked="m.id === card.meter"
        :tabindex="m.id === stop ? 0 : -1"
        @click="emit('meter', m.id)"
      >
        {{ m.title }}<span v-if="!m.atHand" class="small">, not with you</span>
      </button>
    </div>
    <p v-if="card.before !== undefined" class="small">
      <template v-if="best">Once more, to rule out a slip. </template>Read before:
      <span class="number">{{ card.before }}</span>
    </p>
    <ReadingColumn v-if="card.strip" :strip="card.strip" />
    <ReadingScale
      v-if="thumb && !closed && dimension && card.healthy.mean !== undefined"
      :healthy="card.healthy"
      :suspects="card.suspects"
      :dimension="dimension"
      :typed="undefined"
    />
    <TestReasons :card="card" :dimension="dimension" />
    <details v-if="helps" class="reckon" @toggle="reckons = ($event.target as HTMLDetailsElement).open">
      <summary>Reckon it</summary>
      <ToolPanel
        v-if="reckons"
        :shape="card.shape"
        :reads="readsFor(card.meter)"
        :title="card.title"
        @use="text = $event"
      />
    </details>
    <WhatIsLost :card="card" @first="emit('first', $event)" />
    <template v-if="barred || !closed" #act>
      <p v-if="barred" role="note" aria-label="Not for you" class="barred">{{ barred }}</p>
      <MakeSafe
        v-else-if="missing.length && !closed"
        :steps="missing"
        ref="safe"
        before="this test"
        :left="left"
        @done="emit('safety', $event)"
      />
      <ReadingEntry
        v-else-if="!closed"
        ref="entry"
        v-model:text="text"
        :card="card"
        :unbound="unbound"
        :offer="offer"
        @best="emit('best')"
        @busy="emit('busy')"
        @taken="(answer, value) => emit('taken', answer, value)"
      />
    </template>
  </ActCard>
</template>

<style scoped>
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
.steps {
  margin: 0;
  padding-left: 1.4rem;
  color: var(--soft);
}
.reckon summary {
  min-height: 44px;
  align-content: center;
}
.lacking {
  border-style: dashed;
}
.misleads {
  border-left: 5px solid var(--ink);
  padding-left: 0.7rem;
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
/* A phone on its side: what is done and how come first; what sort of test it is can be scrolled to. */
@media (max-width: 900px) and (max-height: 500px) and (orientation: landscape) {
  .sort {
    order: 1;
  }
}
</style>
