<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { reactive } from 'vue'
import { parseReading } from '../../../../../core/foundation/quantity'
import { describeProblem } from '../../../../../core/words'
import { UndoButton } from '../../../../ui'
import type { Asked } from '../../asked'

/** Questions that are answered where they stand; each answer is an entry of its own at once. */
defineProps<{ name: string; asked: Asked[]; locked: boolean }>()
const emit = defineEmits<{ answer: [test: string, text: string]; undo: [event: string] }>()
const typed = reactive<Record<string, string>>({})
const refused = reactive<Record<string, string>>({})

function take(a: Asked) {
  const text = typed[a.id] ?? ''
  const read = parseReading(text, a.shape)
  refused[a.id] = read.ok ? '' : read.problems.map((p) => describeProblem(p)).join(' ')
  if (!read.ok) return
  typed[a.id] = ''
  emit('answer', a.id, text.trim())
}
</script>

<template>
  <ol class="asked" :aria-label="name">
    <li v-for="a in asked" :key="a.id">
      <div>
        <strong>{{ a.title }}</strong>
        <p class="small soft">{{ a.how }}</p>
      </div>
      <div v-if="a.answer" class="row">
        <strong class="number">{{ a.answer.text }}</strong>
        <UndoButton v-if="!locked" :label="`Undo ${a.title}`" @click="emit('undo', a.answer.event)" />
      </div>
      <div v-else-if="!locked" class="chips">
        <template v-if="a.shape.type === 'yes-no'">
          <button type="button" class="chip" :aria-label="`Yes: ${a.title}`" @click="emit('answer', a.id, 'yes')">
            Yes
          </button>
          <button type="button" class="chip" :aria-label="`No: ${a.title}`" @click="emit('answer', a.id, 'no')">
            No
          </button>
        </template>
        <template v-else-if="a.shape.type === 'word'">
          <button
            v-for="w in a.shape.words"
            :key="w"
            type="button"
            class="chip"
            :aria-label="`${w}: ${a.title}`"
            @click="emit('answer', a.id, w)"
          >
            {{ w }}
          </button>
        </template>
        <form v-else class="row" @submit.prevent="take(a)">
          <InputText v-model="typed[a.id]" class="number" :aria-label="a.title" autocomplete="off" />
          <button type="submit" class="chip">Note it</button>
        </form>
        <p v-if="refused[a.id]" role="alert" class="small">{{ refused[a.id] }}</p>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.asked {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.3rem 0.8rem;
  align-items: center;
  padding: 0.45rem 0;
  border-top: 1px solid var(--line);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
