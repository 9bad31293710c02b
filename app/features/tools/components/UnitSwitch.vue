<script setup lang="ts">
import { UNIT_SYSTEMS } from '../../../../core/foundation/quantity'
import { useUnitSystem } from '../use-unit-system'

/** The units that are read in; what is typed is understood in either. */
const { system } = useUnitSystem()
const NAMES = { metric: 'Metric', us: 'US' }
</script>

<template>
  <div class="units" role="radiogroup" aria-label="Units">
    <button
      v-for="s in UNIT_SYSTEMS"
      :key="s"
      type="button"
      role="radio"
      :aria-checked="system === s"
      @click="system = s"
    >
      {{ NAMES[s] }}
    </button>
  </div>
</template>

<style scoped>
.units {
  display: flex;
  gap: 0.4rem;
}
.units button {
  min-height: 44px;
  padding: 0 0.9rem;
  border: 1px solid var(--soft);
  border-radius: 0.6rem;
  background: none;
  color: inherit;
  cursor: pointer;
}
.units button[aria-checked='true'] {
  background: var(--ink);
  color: var(--paper);
}
</style>
