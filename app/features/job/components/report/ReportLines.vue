<script setup lang="ts">
import type { LogLine } from '../../../../../core/report'
import { formatTime } from '../../../../ui'

/** A part of a report: its heading and its lines, each with when and by whom. Nothing where there is nothing to say. */
defineProps<{ title: string; lines: readonly LogLine[]; timeZone: string }>()
</script>

<template>
  <section v-if="lines.length" :aria-label="title">
    <h3>{{ title }}</h3>
    <ul class="plain-list">
      <li v-for="(l, i) in lines" :key="i">
        <span>{{ l.text }}</span> <span class="small soft">{{ l.by }}, {{ formatTime(l.at, timeZone) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  padding: 0.1rem 0;
}
</style>
