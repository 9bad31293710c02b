<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { View } from '../../../../../core/advice'
import ChanceBar from '../drawings/ChanceBar.vue'

/** What one would do as things stand: how likely each is the right thing is a length. */
const props = defineProps<{ view: View }>()
/** Chance from which one thing to do is clear. */
const CLEAR_FROM = 0.9
const rows = computed(() => props.view.groups)
/** Rows for which room is kept: as many as fit beside what is to be done. */
const MOST_KEPT = 5
/** As many as ever stood here: what stands below keeps its place when there are fewer. */
const most = ref(0)
watch(
  () => rows.value.length,
  (now) => (most.value = Math.min(MOST_KEPT, Math.max(most.value, now))),
  { immediate: true },
)
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
    <!-- The place in the order is the row: what stands in it changes, nothing is moved about. -->
    <ul :style="{ '--most': most }">
      <li v-for="(r, i) in rows" :key="i" :class="r.type">
        <ChanceBar class="length" :p="r.p" :name="`How likely: ${r.title}`" :hatched="r.type !== 'repair'" />
        <span class="what"
          ><span class="title">{{ r.title }}</span
          ><span v-if="r.causes.length" class="soft small causes" :title="r.causes.join(' · ')">{{
            r.causes.join(' · ')
          }}</span></span
        >
      </li>
    </ul>
    <p v-if="clear" class="small">{{ clear }}</p>
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
.length {
  width: 100%;
  height: 14px;
  margin-top: 0.25rem;
}
.what {
  display: grid;
}
li:first-child .title {
  font-weight: 600;
}
/* Rows of one height: what stands in them changes with every reading, and nothing below moves. */
@media (min-width: 901px) {
  ul {
    --row: 3.4rem;
    align-content: start;
    grid-auto-rows: minmax(var(--row), auto);
    min-height: calc(var(--most) * var(--row));
  }
  .causes {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .what {
    min-width: 0;
  }
}
</style>
