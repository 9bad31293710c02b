<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { TestCard } from '../../../../../core/advice'
import { DEFAULT_UNIT, formatQuantity, parseReading, type ReadingValue } from '../../../../../core/foundation/quantity'
import { describeImpossible, describeProblem, spokenAnswer } from '../../../../../core/words'
import { AppIcon, DryButton, useAwake, useBeeps, useKeys, useVoice } from '../../../../ui'
import { keysFor, WHOLE_ANSWERS } from '../../reading-keys'

/**
 * One thing at a time for whoever has no hand or no eye free: large, spoken, answered by a lifted finger, a pedal or, where the
 * device itself understands, by voice. Safety, power and bypasses are never done from here.
 */
const props = defineProps<{
  card: TestCard
  unbound: boolean
  /** Why nothing can be answered here; empty where it can. */
  held: string
  /** The last reading and what it came to. */
  last: string
}>()
const emit = defineEmits<{ taken: [text: string, value: ReadingValue]; undo: []; close: [] }>()
const text = defineModel<string>('text', { required: true })
const refusal = ref('')
/** A number that was heard, read back and not yet confirmed. */
const heard = ref('')
const box = useTemplateRef<HTMLDialogElement>('box')
const beeps = useBeeps()
const awake = useAwake()
const voice = useVoice((said) => answer(said))

const isYesNo = computed(() => props.card.shape.type === 'yes-no')
const keys = computed(() => keysFor(props.card.shape))
/** What is typed or heard, as it is understood. */
function format(typed: string): string {
  const { shape } = props.card
  const r = parseReading(typed, shape)
  if (!typed || !r.ok || r.value.type !== 'value' || shape.type !== 'number') return typed
  // As precise as it was typed.
  if (/^\d+(\.\d+)?$/.test(typed)) return `${typed} ${DEFAULT_UNIT[shape.dimension].symbol}`
  return formatQuantity(r.value.si, shape.dimension)
}
const understood = computed(() => format(text.value))
/** Danger first, then what is asked and how. */
const spoken = computed(() =>
  [...props.card.cautions, props.card.strip?.title ?? props.card.title, props.card.how].join('. '),
)
const say = () => voice.speak(props.held || spoken.value)
function reject(why: string) {
  refusal.value = why
  beeps.refused()
  voice.speak(why)
}
function take(value = text.value) {
  if (props.unbound) return
  if (props.held) return reject(props.held)
  const r = parseReading(value, props.card.shape)
  if (!r.ok) return reject(r.problems.map((p) => describeProblem(p)).join(' '))
  const impossible = describeImpossible(r.value, props.card.range)
  if (impossible) return reject(impossible)
  refusal.value = ''
  heard.value = ''
  beeps.accepted()
  emit('taken', value.trim(), r.value)
}
function press(key: string) {
  heard.value = ''
  if (WHOLE_ANSWERS.has(key)) take(key)
  else if (key === '⌫') text.value = text.value.slice(0, -1)
  else if (key.includes('/') && /\d/.test(key)) text.value = key
  else text.value += key
}
function answer(said: string) {
  const what = spokenAnswer(said)
  if (!what || props.unbound) return
  if (what.type === 'again') return say()
  if (what.type === 'undo') return undo()
  if (what.type === 'reading') {
    if (isYesNo.value) return
    // A number is read back, and entered only on a yes.
    text.value = heard.value = what.text
    return voice.speak(`${format(what.text)}. Yes to enter it.`)
  }
  if (isYesNo.value) return take(what.type)
  if (!heard.value) return
  if (what.type === 'yes') return take(heard.value)
  text.value = heard.value = ''
  voice.speak('Not entered. Say it again.')
}
function undo() {
  beeps.refused()
  emit('undo')
}
/** A pedal or a headset sends these. */
const forward = () => (isYesNo.value ? take('yes') : text.value ? take() : say())
const back = () => (isYesNo.value ? take('no') : say())
const typing = Object.fromEntries(
  ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '.'].map((key) => [key, () => isYesNo.value || press(key)]),
)
useKeys({
  ...typing,
  backspace: () => press('⌫'),
  y: () => isYesNo.value && take('yes'),
  x: () => isYesNo.value && take('no'),
  enter: () => isYesNo.value || take(),
  pagedown: forward,
  pageup: back,
  mediatracknext: forward,
  mediatrackprevious: back,
  escape: () => emit('close'),
})

// Once for each question: the same one thought over again is not said again.
watch([() => props.card.id, () => props.held], () => {
  refusal.value = heard.value = ''
  voice.speak([props.last, props.held || spoken.value].filter(Boolean).join('. '))
})
onMounted(() => {
  box.value?.showModal()
  say()
})
</script>

<template>
  <dialog ref="box" class="busy" aria-label="Hands busy" :aria-busy="unbound" @cancel.prevent="emit('close')">
    <div class="top">
      <span class="small">{{ awake ? 'The screen stays on' : 'This screen may go dark: touch it now and then' }}</span>
      <button
        v-if="voice.mayListen.value"
        type="button"
        class="chip"
        :aria-pressed="voice.listening.value"
        @click="voice.listening.value ? voice.hush() : voice.listen()"
      >
        {{ voice.listening.value ? 'Listening' : 'Listen to me' }}
      </button>
      <button type="button" class="chip" @click="emit('close')">Back <kbd>Esc</kbd></button>
    </div>
    <div class="asked">
      <p v-for="c in card.cautions" :key="c" class="danger"><AppIcon name="danger" /> {{ c }}</p>
      <h2>{{ card.title }}</h2>
      <p class="how">{{ card.how }}</p>
    </div>
    <p v-if="held" class="held" role="note" aria-label="Not from here">{{ held }}</p>
    <output v-else-if="!isYesNo" class="value number" aria-label="Understood">{{ understood || '–' }}</output>
    <p class="small refusal" :role="refusal ? 'alert' : undefined">
      {{ refusal || (heard ? 'Heard. Yes to enter it.' : last) }}
    </p>
    <form v-if="!held" class="keys" aria-label="Answer" :aria-disabled="unbound || undefined" @submit.prevent>
      <div v-if="isYesNo" class="two">
        <DryButton @tap="take('yes')">Yes</DryButton>
        <DryButton @tap="take('no')">No</DryButton>
      </div>
      <div v-else-if="card.shape.type === 'word'" class="two">
        <DryButton v-for="w in card.shape.words" :key="w" @tap="take(w)">{{ w }}</DryButton>
      </div>
      <template v-else>
        <div class="pad">
          <template v-for="(row, i) in keys" :key="i">
            <DryButton v-for="k in row" :key="k" :class="{ long: k.length > 2 }" @tap="press(k)">{{ k }}</DryButton>
          </template>
        </div>
        <DryButton class="enter" @tap="take()">Enter</DryButton>
      </template>
    </form>
    <div class="foot">
      <DryButton @tap="say">Say it again</DryButton>
      <DryButton v-if="last" @tap="undo">Undo the last</DryButton>
    </div>
  </dialog>
</template>

<style scoped>
.busy {
  width: 100vw;
  max-width: none;
  height: 100dvh;
  max-height: none;
  margin: 0;
  border: 0;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  gap: 0.5rem;
  padding: 0.6rem;
  background: var(--paper);
  overflow-y: auto;
}
.top,
.foot,
.two {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.top > :first-child {
  flex: 1;
}
.asked {
  flex: 1 1 auto;
  display: grid;
  align-content: start;
  gap: 0.4rem;
}
h2 {
  font-size: 1.7rem;
}
.how {
  font-size: 1.15rem;
}
.danger {
  color: var(--danger);
  font-weight: 600;
}
.value {
  font-size: 96px;
  line-height: 1;
  font-weight: 700;
  text-align: center;
  overflow-wrap: anywhere;
}
.held {
  border-left: 6px solid var(--danger);
  padding-left: 0.7rem;
  font-size: 1.3rem;
  font-weight: 600;
}
.refusal {
  min-height: 1.4em;
}
.two > * {
  flex: 1;
  min-height: 140px;
  font-size: 2.2rem;
}
.pad {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 0.4rem;
}
.pad > * {
  min-height: 60px;
}
.long {
  font-size: 1rem;
}
.keys {
  display: grid;
  gap: 0.4rem;
}
.foot > * {
  flex: 1;
  min-height: 56px;
  font-size: 1rem;
}
@media (max-width: 900px) and (max-height: 700px) {
  .value {
    font-size: 64px;
  }
}
</style>
