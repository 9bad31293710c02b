<script setup lang="ts">
import { computed } from 'vue'
import type { Offer } from '../../turn'

/** What would serve better than what stands there; it stays until somebody takes it. */
const props = defineProps<{ offer: Offer | undefined }>()
const emit = defineEmits<{ take: [] }>()
const less = computed(() => {
  const { offer } = props
  return offer?.type === 'test' && offer.saves !== undefined
    ? ` (${Math.max(1, Math.round(offer.saves))} min less)`
    : ''
})
</script>

<template>
  <button v-if="offer" type="button" class="offer" @click="emit('take')">
    <template v-if="offer.type === 'cause'">Clear enough now: see what to do</template>
    <template v-else
      >Better now{{ less }}<span class="wide">: {{ offer.title }}</span
      ><span class="narrow">: see it</span></template
    >
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
/* Where there is no room for the name, it stands whole on the card that this opens. */
.narrow {
  display: none;
}
@media (max-width: 900px) {
  .wide {
    display: none;
  }
  .narrow {
    display: inline;
  }
}
</style>
