<script setup lang="ts">
import { computed } from 'vue'
import type { View } from '../../../../core/advice'

/** What one would do as things stand: how likely each is the right thing is a length. */
const props = defineProps<{ view: View }>()
/** Chance from which one thing to do is clear. */
const CLEAR_FROM = 0.9
const rows = computed(() => props.view.groups)
/** Counts down as the cause comes nearer. */
const left = computed(() =>
  props.view.settled && props.view.state !== 'unexplained' ? Math.round(props.view.left) : undefined,
)
const clear = computed(() => {
  const [first] = rows.value
  return first?.type === 'repair' && first.p >= CLEAR_FROM && first.causes.length > 1
    ? `What to do is clear: ${first.title}. Which of its ${first.causes.length} causes it is changes nothing.`
    : ''
})
</script>

<template>
  <section class="card suspects" aria-label="Suspects">
    <div class="head">
      <h2>What to do, the likeliest first</h2>
      <p v-if="left !== undefined" class="small soft" role="note" aria-label="What is left">
        about <span class="number">{{ left }}</span> min of work and parts left
      </p>
    </div>
    <p v-if="clear" class="small">{{ clear }}</p>
    <ul>
      <li v-for="r in rows" :key="r.title" :class="r.type">
        <span
          class="bar"
          role="meter"
          :aria-label="`How likely: ${r.title}`"
          :aria-valuenow="Math.round(r.p * 100)"
          aria-valuemin="0"
          aria-valuemax="100"
          ><span class="fill fade" :style="{ width: `${Math.max(1, r.p * 100)}%` }"
        /></span>
        <span class="what"
          >{{ r.title }}<span v-if="r.causes.length" class="soft small">{{ r.causes.join(' · ') }}</span></span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 0 1rem;
}
.suspects {
  display: grid;
  gap: 0.5rem;
  align-content: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
}
li {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
  gap: 0.8rem;
  align-items: start;
  padding: 0.35rem 0;
  border-top: 1px solid var(--line);
}
.bar {
  height: 14px;
  margin-top: 0.25rem;
  border: 1px solid var(--soft);
  border-radius: 4px;
  overflow: hidden;
}
.fill {
  display: block;
  height: 100%;
  background: var(--ink);
}
.what {
  display: grid;
}
li:first-child .what {
  font-weight: 600;
}
li:first-child .what > .small {
  font-weight: 400;
}
/* What no repair on the sheet would cure is told apart by its pattern. */
li:not(.repair) .fill {
  background: repeating-linear-gradient(135deg, var(--soft) 0 4px, var(--card) 4px 7px);
}
</style>
