<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { formatQuantity, parseReading, type Dimension } from '../../../../../core/foundation/quantity'
import { describeProblem } from '../../../../../core/words'
import type { MachineFacts } from '../../../../engine'
import MakeSafe from '../safe/MakeSafe.vue'

/** What is started, with which water and in which room, and the one tap that starts the clock. */
const props = defineProps<{
  facts: MachineFacts
  missing: { id: string; title: string; text: string }[]
  left: readonly string[]
  clips: readonly string[]
}>()
const program = defineModel<string>('program', { required: true })
const conditions = defineModel<Record<string, number>>('conditions', { required: true })
const steps = defineModel<boolean>('steps', { required: true })
const emit = defineEmits<{ start: []; safety: [step: string] }>()

const typed = ref<Record<string, string>>({})
const wrong = ref<Record<string, string>>({})
function take(id: string, dimension: Dimension, text: string): void {
  typed.value[id] = text
  const { [id]: _, ...others } = conditions.value
  if (!text.trim()) {
    wrong.value = { ...wrong.value, [id]: '' }
    conditions.value = others
    return
  }
  const read = parseReading(text.trim(), { type: 'number', dimension })
  const si = read.ok && read.value.type === 'value' ? read.value.si : undefined
  const bad = si === undefined || (dimension === 'temperature' ? si < -40 || si > 100 : si < 0 || si > 2e6)
  if (bad) {
    wrong.value[id] = read.ok
      ? `That is nothing that ${dimension === 'temperature' ? 'a room or water' : 'a supply'} can have.`
      : read.problems.map((p) => describeProblem(p)).join(' ')
    conditions.value = others
    return
  }
  wrong.value = { ...wrong.value, [id]: '' }
  conditions.value = { ...others, [id]: si! }
}
const service = computed(() => props.facts.programs.find((p) => p.id === program.value)?.service)
</script>

<template>
  <section class="card start" aria-label="Start a run">
    <h2>Watch a program</h2>
    <label class="field"
      ><span class="small">Program</span>
      <Select
        v-model="program"
        :options="facts.programs"
        option-label="title"
        option-value="id"
        aria-label="Program"
        fluid
      />
    </label>
    <p v-if="service" class="small" role="note">
      <strong>Into it:</strong> {{ service.enter }}. <strong>Out of it:</strong> {{ service.leave }}.
    </p>
    <details>
      <summary>This water, this room</summary>
      <label v-for="c in facts.conditions" :key="c.id" class="field"
        ><span class="small">{{ c.title }}</span>
        <InputText
          :model-value="typed[c.id] ?? ''"
          :placeholder="`${formatQuantity(c.usual, c.dimension)} as the sheet has it`"
          :aria-label="c.title"
          :invalid="!!wrong[c.id]"
          autocomplete="off"
          fluid
          @update:model-value="take(c.id, c.dimension, $event ?? '')"
        />
        <span v-if="wrong[c.id]" class="small bad" role="alert">{{ wrong[c.id] }}</span>
      </label>
    </details>
    <label class="row choice"
      ><input v-model="steps" type="checkbox" /> Step by step, as a check-out: each thing is asked for when it is
      due</label
    >
    <p v-if="clips.length" class="small" role="note">
      <strong>Tips sit at:</strong> {{ clips.join('; ') }}. Hands off once it runs.
    </p>
    <MakeSafe
      v-if="missing.length"
      :steps="missing"
      before="the machine is started"
      :left="left"
      @done="emit('safety', $event)"
    />
    <Button v-else @click="emit('start')">It starts now</Button>
    <p class="small soft">
      Tap in the moment in which the program starts. The clock goes by stamps: it goes on when the page is left.
    </p>
  </section>
</template>

<style scoped>
.start {
  display: grid;
  gap: 0.7rem;
}
.field {
  display: grid;
  gap: 0.2rem;
  margin-top: 0.4rem;
}
.choice {
  min-height: 44px;
  flex-wrap: nowrap;
}
.choice input {
  flex: none;
  width: 1.3rem;
  height: 1.3rem;
}
summary {
  min-height: 44px;
  align-content: center;
}
.bad {
  color: var(--danger);
}
</style>
