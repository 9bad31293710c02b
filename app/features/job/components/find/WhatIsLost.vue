<script setup lang="ts">
import type { TestCard } from '../../../../../core/advice'

/** What taking a test ends, and the tests to take before it. */
defineProps<{ card: TestCard }>()
const emit = defineEmits<{ first: [test: string] }>()
</script>

<template>
  <div v-if="card.destroys || card.losing.length" class="losing">
    <p v-if="card.destroys"><strong>Mind:</strong> {{ card.destroys }}.</p>
    <template v-if="card.losing.length">
      <p>These take longer afterwards. Take them first:</p>
      <button v-for="l in card.losing" :key="l.id" type="button" class="chip" @click="emit('first', l.id)">
        {{ l.title }} <span class="soft small">{{ l.now.toFixed(1) }} min now, {{ l.after.toFixed(1) }} after</span>
      </button>
    </template>
  </div>
</template>

<style scoped>
.losing {
  display: grid;
  gap: 0.4rem;
  justify-items: start;
  font-size: 0.92rem;
}
.losing .chip {
  text-align: left;
}
</style>
