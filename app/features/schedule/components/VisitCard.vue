<script setup lang="ts">
import { clockText, type Clash } from '../../../../core/schedule'
import { describeClash, describeReason } from '../../../../core/words'
import type { Visit } from '../../../../shared/contracts/schedule'

/** One visit of a day: when, where, what for, and what is wrong with its time. */
defineProps<{ visit: Visit; clash: Clash | undefined }>()
</script>

<template>
  <span class="visit" :class="{ ended: visit.ended, off: clash }">
    <span class="when number"
      >{{ clockText(visit.start) }}<br /><span class="small soft">{{ visit.minutes }} min</span></span
    >
    <span>
      <strong>{{ visit.unit.title }}</strong><br />
      <span class="small">{{ visit.unit.customer }}, {{ visit.unit.place }}</span
      ><br />
      <span class="small soft">{{ describeReason(visit.reason) }}: {{ visit.about || visit.note }}</span>
      <strong v-if="clash" class="small clash"><br />{{ describeClash(clash) }}</strong>
      <span v-if="visit.ended === 'done'" class="small"><br />Done</span>
    </span>
  </span>
</template>

<style scoped>
.visit {
  display: grid;
  grid-template-columns: 3.6rem minmax(0, 1fr);
  gap: 0.5rem;
  line-height: 1.25;
}
.when {
  font-weight: 700;
}
.ended {
  opacity: 0.75;
}
.clash {
  color: var(--danger);
}
</style>
