<script setup lang="ts">
import { NuxtLink } from '#components'
import { ROW_TOOLS, TOOLS } from '../../../../core/measuring'
import { toolWords } from '../../../../core/words'
import UnitSwitch from './UnitSwitch.vue'

const tools = [
  {
    id: 'timers',
    title: 'Clocks and counts',
    use: 'Any number of named clocks at once, and counts of cycles with what may still be missed.',
  },
  {
    id: 'ear',
    title: 'Ear',
    use: 'When a hum, a motor or a beep begins and ends, by the microphone of this device.',
  },
  {
    id: 'meter',
    title: 'Linked meter',
    use: 'A bench or logging meter on the network: its value large, its trace, and when something was on.',
  },
  ...[...TOOLS, ...ROW_TOOLS].map(({ id }) => ({ id, ...toolWords(id) })),
  {
    id: 'trace',
    title: 'Trace of a logger',
    use: 'A logged file as a picture: highest and lowest, and when something was on.',
  },
  {
    id: 'tables',
    title: 'Tables',
    use: 'Copper wire, thermistor, colours of conductors, supplies, each with its source.',
  },
  {
    id: 'convert',
    title: 'Units',
    use: 'One quantity in all its units: °F and °C, psi and bar, gallons and litres, gauge and mm².',
  },
]
</script>

<template>
  <main class="page">
    <div class="row">
      <h1>Tools</h1>
      <span class="push" />
      <UnitSwitch />
    </div>
    <p class="soft">The arithmetic of measuring, without a job. What is typed stays on this device.</p>
    <ul class="tools" aria-label="Tools">
      <li v-for="t in tools" :key="t.id">
        <NuxtLink :to="`/tools/${t.id}`" class="tool">
          <strong>{{ t.title }}</strong>
          <span class="soft small">{{ t.use }}</span>
        </NuxtLink>
      </li>
    </ul>
  </main>
</template>

<style scoped>
.tools {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 17rem), 1fr));
  gap: 0.7rem;
}
.tool {
  display: grid;
  gap: 0.25rem;
  align-content: start;
  height: 100%;
  padding: 0.8rem 0.9rem;
  border: 1px solid var(--line);
  border-radius: 0.8rem;
  background: var(--card);
  color: inherit;
  text-decoration: none;
}
.tool:hover {
  background: var(--shade);
}
</style>
