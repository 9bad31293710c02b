<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../../../../core/advice'
import type { MachineFacts } from '../../../../engine'

/** What the readings prove to be good, and what they leave open. */
const props = defineProps<{ links: View['links']; parts: MachineFacts['parts'] }>()
const titles = (states: readonly string[]) =>
  props.links.filter((l) => states.includes(l.state)).map((l) => props.parts[l.part]!.title)
const proven = computed(() => titles(['proven']))
const doubtful = computed(() => titles(['suspect', 'faulty', 'intermittent']))
</script>

<template>
  <section class="card" aria-label="What is proven">
    <h2>What is proven by now</h2>
    <p v-if="proven.length">{{ proven.join(', ') }}.</p>
    <p v-else class="soft">Nothing yet.</p>
    <p v-if="doubtful.length" class="small"><strong>Still suspected:</strong> {{ doubtful.join(', ') }}.</p>
  </section>
</template>
