<script setup lang="ts">
import type { MachineFacts } from '../../../../engine'

/** The plugs of the machine by the names beside them: what is on each pin, in which colour, and where commons are. */
defineProps<{ connectors: MachineFacts['connectors']; source: string }>()
const hasColours = ({ pins }: MachineFacts['connectors'][number]) => pins.some((p) => p.colour)
</script>

<template>
  <section v-if="connectors.length" class="card plugs" aria-label="Plugs and pins">
    <h2>Plugs and pins</h2>
    <p class="small soft">From: {{ source }}. Numbers count on this unit's own diagram first.</p>
    <div class="all">
      <table v-for="c in connectors" :key="c.id">
        <caption>
          {{
            c.id
          }}<template v-if="c.title">, {{ c.title }}</template>
        </caption>
        <thead>
          <tr>
            <th scope="col">Pin</th>
            <th scope="col">Goes to</th>
            <th v-if="hasColours(c)" scope="col">Wire</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in c.pins" :key="p.pin">
            <th scope="row">{{ p.pin }}</th>
            <td>{{ p.at }}<span v-if="p.common" class="small soft">, common</span></td>
            <td v-if="hasColours(c)">{{ p.colour }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.all {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 1rem;
  align-items: start;
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 0.92rem;
}
caption {
  text-align: left;
  font-weight: 600;
  padding-bottom: 0.2rem;
}
th,
td {
  text-align: left;
  border-top: 1px solid var(--line);
  padding: 0.2rem 0.5rem 0.2rem 0;
  vertical-align: top;
}
</style>
