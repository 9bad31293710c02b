<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { parseReading, type ReadingValue } from '../../../../../core/foundation/quantity'
import { PROOF_LIMITS, type Job } from '../../../../../core/job'
import { capital, describeProblem, describeProofLimit, formatReading } from '../../../../../core/words'
import type { RepairPlan } from '../../../../engine'
import { AppIcon, UndoButton } from '../../../../ui'

/** One thing that has to hold before the machine is left: how it is shown, and that it was. */
const props = defineProps<{
  need: RepairPlan['proofs'][number]
  /** What was said of it last. */
  said: Job['proven'][number] | undefined
  locked: boolean
}>()
const emit = defineEmits<{
  say: [as: 'passed' | 'failed' | 'not-needed', text?: string, value?: ReadingValue]
  undo: [event: string]
}>()
const limit = computed(() => PROOF_LIMITS[props.need.id])
const text = ref('')
const why = ref('')
const excusing = ref(false)
const wrong = ref('')
const title = computed(() => capital(props.need.title))

function measure() {
  const read = parseReading(text.value.trim(), { type: 'number', dimension: 'resistance' })
  wrong.value = read.ok ? '' : read.problems.map((p) => describeProblem(p)).join(' ')
  if (!read.ok) return
  const { value } = read
  // An open line is more megohms than it shows: that is good of insulation, and bad of an earth.
  const si = value.type === 'value' ? value.si : value.type === 'open' ? Infinity : NaN
  const { least = 0, most = Infinity } = limit.value!
  emit('say', si >= least && si <= most ? 'passed' : 'failed', formatReading(value, 'resistance'), value)
}
const SAID = { passed: 'holds', failed: 'does not hold', 'not-needed': 'not asked here' } as const
</script>

<template>
  <li>
    <div class="proof" role="group" :aria-label="title">
      <p class="head">
        <AppIcon :name="said && said.as !== 'failed' ? 'check' : 'danger'" />
        <strong>{{ title }}</strong>
      </p>
      <p class="small soft">{{ need.how }}</p>
      <p v-if="said" class="row" :class="{ bad: said.as === 'failed' }">
        <span
          ><strong>{{ SAID[said.as] }}</strong
          ><template v-if="said.text">: {{ said.text }}</template> <span class="small soft">{{ said.by }}</span></span
        >
        <UndoButton v-if="!locked" class="push" :label="`Undo ${need.title}`" @click="emit('undo', said.event)" />
      </p>
      <template v-else-if="!locked">
        <slot>
          <form v-if="limit" class="row" @submit.prevent="measure">
            <InputText
              v-model="text"
              class="grow"
              autocomplete="off"
              :aria-label="`Reading: ${need.title}`"
              :placeholder="describeProofLimit(limit)"
              :invalid="!!wrong"
            />
            <Button type="submit" severity="secondary" :disabled="!text.trim()">Take it</Button>
          </form>
          <div v-else class="chips">
            <button type="button" class="chip" :aria-label="`It holds: ${need.title}`" @click="emit('say', 'passed')">
              It holds
            </button>
            <button
              type="button"
              class="chip"
              :aria-label="`It does not: ${need.title}`"
              @click="emit('say', 'failed')"
            >
              It does not
            </button>
          </div>
        </slot>
        <p v-if="wrong" class="small bad" role="alert">{{ wrong }}</p>
        <template v-if="need.unless">
          <button v-if="!excusing" type="button" class="word-button" @click="excusing = true">Not asked here …</button>
          <form v-else class="stack" @submit.prevent="why.trim() && emit('say', 'not-needed', why.trim())">
            <span class="small">{{ need.unless }}.</span>
            <div class="row">
              <InputText
                v-model="why"
                maxlength="1000"
                class="grow"
                :aria-label="`Why not: ${need.title}`"
                placeholder="Why"
              />
              <Button type="submit" severity="secondary" :disabled="!why.trim()">Note it</Button>
            </div>
          </form>
        </template>
      </template>
    </div>
  </li>
</template>

<style scoped>
.proof {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.35rem;
  padding: 0.6rem 0;
  border-top: 1px solid var(--line);
}
.head {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.grow {
  flex: 1;
  min-width: 8rem;
}
.bad {
  color: var(--danger);
}
.word-button {
  justify-self: start;
}
</style>
