<script setup lang="ts">
import { formatTime, UndoButton } from '../../../../ui'
import type { HistoryRow } from '../../history-rows'

defineProps<{ rows: HistoryRow[]; closed: boolean; timeZone: string }>()
const emit = defineEmits<{ undo: [event: string] }>()
const MARK = { good: '✓', edge: '≈', bad: '✕', none: '·' }
</script>

<template>
  <section class="card history" aria-label="Readings so far">
    <div class="row">
      <h2>Readings</h2>
      <span class="push small soft">undo the last <kbd>U</kbd></span>
    </div>
    <p v-if="!rows.length" class="soft">None yet. What you type appears here with its verdict.</p>
    <ol v-else>
      <li v-for="(r, i) in rows" :key="i">
        <span class="mark" :class="r.fits" aria-hidden="true">{{ MARK[r.fits] }}</span>
        <span class="what"
          ><span>{{ r.title }}</span
          ><span class="small soft"
            >{{ r.verdict }} · {{ r.by }}, {{ formatTime(r.at, timeZone)
            }}{{ r.waiting ? ' · waits to be sent' : '' }}</span
          ><strong v-if="r.doubt" class="small">{{ r.doubt }}</strong
          ><strong v-if="r.review" class="small">{{ r.review }}</strong></span
        >
        <strong class="number">{{ r.text }}</strong>
        <!-- A held key takes back one entry, not the next that comes to stand here. -->
        <UndoButton v-if="!closed" :key="r.event" :label="`Undo ${r.title}`" @click="emit('undo', r.event)" />
      </li>
    </ol>
  </section>
</template>

<style scoped>
.history {
  display: grid;
  gap: 0.4rem;
  align-content: start;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1.8rem 1fr auto 44px;
  gap: 0.4rem;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 0.25rem 0;
}
.what {
  display: grid;
}
.number {
  font-size: 1.15rem;
}
.mark {
  font-weight: 800;
  width: 1.6rem;
  height: 1.6rem;
  display: grid;
  place-items: center;
  border-radius: 50%;
  border: 2px solid currentcolor;
}
.good {
  color: var(--good);
}
.edge {
  border-style: dashed;
}
.bad {
  background: var(--ink);
  color: var(--card);
  border-radius: 5px;
}
</style>
