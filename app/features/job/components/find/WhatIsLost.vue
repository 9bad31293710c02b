<script setup lang="ts">
import { useTemplateRef } from 'vue'
import type { TestCard } from '../../../../../core/advice'
import { nextInRing, useOneStop } from '../../../../ui'

/** What taking a test ends, and the tests to take before it. */
const { card } = defineProps<{ card: TestCard }>()
const emit = defineEmits<{ first: [test: string] }>()

// However many they are, they are one stop on the way to the act: arrows go from one to the next.
const list = useTemplateRef('list')
const ids = () => card.losing.map((l) => l.id)
const { stop, go } = useOneStop(
  list,
  () => ids()[0],
  (from, key) => nextInRing(ids(), from, key),
  (id) => ids().includes(id),
)
</script>

<template>
  <div v-if="card.destroys || card.losing.length" class="losing">
    <p v-if="card.destroys"><strong>Mind:</strong> {{ card.destroys }}.</p>
    <div v-if="card.losing.length" ref="list" class="first" role="group" aria-label="Take them first" @keydown="go">
      <p>These take longer afterwards. Take them first:</p>
      <button
        v-for="l in card.losing"
        :key="l.id"
        type="button"
        class="chip"
        :tabindex="l.id === stop ? 0 : -1"
        @click="emit('first', l.id)"
      >
        {{ l.title }} <span class="soft small">{{ l.now.toFixed(1) }} min now, {{ l.after.toFixed(1) }} after</span>
      </button>
    </div>
  </div>
</template>

<style scoped>
.losing,
.first {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  font-size: 0.92rem;
}
.losing .chip {
  text-align: left;
}
</style>
