<script setup lang="ts">
import { computed } from 'vue'
import type { Offer } from '../turn'

/** What would serve better than what stands there; it stays until somebody takes it. */
const props = defineProps<{ offer: Offer | undefined }>()
const emit = defineEmits<{ take: [] }>()
const said = computed(() => {
  const { offer } = props
  if (!offer) return ''
  if (offer.type === 'cause') return 'Clear enough now: see what to do'
  const less = offer.saves === undefined ? '' : ` (${Math.max(1, Math.round(offer.saves))} min less)`
  return `Better now${less}: ${offer.title}`
})
</script>

<template>
  <button v-if="offer" type="button" class="offer" @click="emit('take')">
    <span>{{ said }}</span>
  </button>
</template>

<style scoped>
.offer {
  min-height: 44px;
  border: 1.5px dashed var(--ink);
  border-radius: 10px;
  background: none;
  padding: 0.1rem 0.6rem;
  font-size: 0.84rem;
  line-height: 1.2;
  text-align: left;
  cursor: pointer;
}
/* The whole name stands on the card that it opens. */
@media (max-width: 900px) {
  .offer > span {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    overflow: hidden;
  }
}
</style>
