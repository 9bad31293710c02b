<script setup lang="ts">
import { computed } from 'vue'
import type { PowerState, WaterState } from '../../../../../core/job'
import { formatTime } from '../../../../ui'

/** How the machine stands, by what somebody did: never what somebody meant to do. */
const props = defineProps<{
  power: PowerState
  /** Absent where nobody has touched it. */
  water: WaterState | undefined
  timeZone: string
  /** What proving dead is, by step. */ texts: ReadonlyMap<string, string>
}>()
const emit = defineEmits<{ open: [] }>()
const said = computed(() => {
  const { power } = props
  switch (power.state) {
    case 'dead':
      return { head: 'Proved dead', where: power.where, tail: `${formatTime(power.at, props.timeZone)}, ${power.by}` }
    case 'isolated':
      return {
        head: 'Isolated, not proved: treat as live',
        tail: `${formatTime(power.at, props.timeZone)}, ${power.by}`,
      }
    case 'live':
      return { head: 'Live', tail: `since ${formatTime(power.at, props.timeZone)}, ${power.by}` }
    default:
      return { head: 'Treat as live', tail: 'nobody has made it dead' }
  }
})
const waterSaid = computed(() => {
  const { water } = props
  return water && `Water ${water.state === 'shut' ? 'shut' : 'on since'} ${formatTime(water.at, props.timeZone)}`
})
const how = computed(() => ('step' in props.power ? props.texts.get(props.power.step) : undefined))
</script>

<template>
  <button type="button" class="pill" :class="power.state" :title="how" @click="emit('open')">
    <strong
      >{{ said.head }}<span v-if="said.where" class="where">{{ ' ' + said.where }}</span></strong
    >
    <span class="small">{{ said.tail }}</span>
    {{ ' ' }}<span v-if="waterSaid" class="small water">{{ waterSaid }}</span>
  </button>
</template>

<style scoped>
.pill {
  min-height: 44px;
  padding: 0.15rem 0.8rem;
  border: 2px solid var(--danger);
  border-radius: var(--radius);
  background: var(--card);
  color: var(--danger);
  text-align: left;
  line-height: 1.15;
  cursor: pointer;
}
.pill > strong {
  display: block;
}
.water::before {
  content: '· ';
}
/* On a phone it is as high in every state: nothing below moves when one follows another. Where, stands on its own page. */
@media (max-width: 900px) and (orientation: portrait) {
  .pill {
    width: 100%;
    height: 4.75rem;
    font-size: 0.94rem;
  }
  .where {
    display: none;
  }
  .small {
    display: block;
  }
  .water::before {
    content: '';
  }
}
.dead {
  border: 2px solid var(--ink);
  color: var(--ink);
}
</style>
