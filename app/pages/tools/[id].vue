<script setup lang="ts">
import { useHead } from '#imports'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { toolWords } from '../../../core/words'
import { findTool, ROW_TOOLS } from '../../../core/measuring'
import { ConvertPage, RowToolPage, TimersPage, ToolPage } from '../../features/tools'

const route = useRoute()
const id = computed(() => String(route.params.id))
const OWN: Record<string, string> = { convert: 'Units', timers: 'Clocks and counts' }
const reads = computed(() => ROW_TOOLS.some((t) => t.id === id.value))
const title = computed(() => OWN[id.value] ?? (reads.value || findTool(id.value) ? toolWords(id.value).title : 'Tools'))
useHead({ title: () => `${title.value} · Duckweed` })
</script>

<template>
  <ConvertPage v-if="id === 'convert'" />
  <TimersPage v-else-if="id === 'timers'" />
  <RowToolPage v-else-if="reads" :id="id" :key="id" />
  <ToolPage v-else :id="id" :key="id" />
</template>
