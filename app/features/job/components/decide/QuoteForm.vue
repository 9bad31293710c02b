<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import { parseMoney } from '../../../../../core/foundation/money'
import type { Job } from '../../../../../core/job'
import { formatMoney, minorUnits } from '../../../../../core/words'

/** What the customer is told that it costs, line by line, and what they say to it. */
const props = defineProps<{
  /** What the chosen repair would cost, to begin with. */
  lines: { text: string; minor: number }[]
  currency: string
  quotes: Job['quotes']
  locked: boolean
}>()
const emit = defineEmits<{
  quote: [lines: { text: string; minor: number }[], words: string]
  answer: [quote: string, yes: boolean, who: string]
}>()
const units = computed(() => minorUnits(props.currency))
const digits = computed(() => Math.round(Math.log10(units.value)))
const written = ref<{ text: string; amount: string }[]>([])
/** Whether somebody has changed it: then another choice leaves it alone. */
const own = ref(false)
watch(
  () => JSON.stringify(props.lines),
  () => {
    if (own.value) return
    written.value = props.lines.map(({ text, minor }) => ({
      text,
      amount: (minor / units.value).toFixed(digits.value),
    }))
  },
  { immediate: true },
)
const words = ref('')
const who = ref('')
const read = computed(() =>
  written.value.map(({ text, amount }) => ({ text: text.trim(), minor: parseMoney(amount, units.value) })),
)
const wrong = (i: number) => read.value[i]?.minor === undefined
const used = computed(() => read.value.filter((l) => l.text))
const total = computed(() => used.value.reduce((sum, l) => sum + (l.minor ?? 0), 0))
const sound = computed(() => used.value.length > 0 && used.value.every((l) => l.minor !== undefined))
const last = computed(() => props.quotes.at(-1))
const totalOf = (q: Job['quotes'][number]) =>
  formatMoney(
    q.lines.reduce((sum, l) => sum + l.minor, 0),
    q.currency,
  )
function add() {
  own.value = true
  written.value.push({ text: '', amount: (0).toFixed(digits.value) })
}
function quote() {
  if (sound.value) emit('quote', used.value as { text: string; minor: number }[], words.value.trim())
}
</script>

<template>
  <section class="card stack" aria-label="What the customer is told">
    <h2>What the customer is told</h2>
    <p v-if="last" role="status" aria-label="The price that was told">
      <strong>{{ totalOf(last) }}</strong> told by {{ last.by
      }}<template v-if="last.answer"
        >: <strong>{{ last.answer.yes ? 'yes' : 'no' }}</strong> from {{ last.answer.who }}</template
      ><template v-else>, no answer yet</template>
    </p>
    <div v-if="last && !last.answer && !locked" class="row">
      <InputText v-model="who" maxlength="120" aria-label="Who said it" placeholder="Who said it" />
      <button type="button" class="chip" :disabled="!who.trim()" @click="emit('answer', last.event, true, who.trim())">
        They say yes
      </button>
      <button type="button" class="chip" :disabled="!who.trim()" @click="emit('answer', last.event, false, who.trim())">
        They say no
      </button>
    </div>
    <details v-if="!locked" :open="!last">
      <summary>{{ last ? 'Another price' : 'Price, line by line' }}</summary>
      <div v-for="(l, i) in written" :key="i" class="line" role="group" :aria-label="`Line ${i + 1}`">
        <InputText
          v-model="l.text"
          maxlength="200"
          :aria-label="`What line ${i + 1} is for`"
          @update:model-value="own = true"
        />
        <InputText
          v-model="l.amount"
          class="amount number"
          inputmode="decimal"
          :aria-label="`Amount of line ${i + 1}, ${currency}`"
          :invalid="wrong(i)"
          @update:model-value="own = true"
        />
        <span v-if="wrong(i)" class="small bad" role="alert">An amount, as 38 or 38.50</span>
      </div>
      <button type="button" class="word-button" @click="add">Another line</button>
      <InputText
        v-model="words"
        maxlength="4000"
        fluid
        aria-label="What was said with it"
        placeholder="What was said with it"
      />
      <div class="row told">
        <span
          >In all <strong class="number">{{ formatMoney(total, currency) }}</strong></span
        >
        <Button class="push" severity="secondary" :disabled="!sound" @click="quote">The customer was told this</Button>
      </div>
    </details>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 7.5rem;
  gap: 0.4rem;
  margin-bottom: 0.4rem;
}
.amount {
  text-align: right;
}
.bad {
  grid-column: 1 / -1;
  color: var(--danger);
}
.told {
  margin-top: 0.5rem;
}
</style>
