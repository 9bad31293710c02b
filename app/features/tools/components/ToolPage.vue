<script setup lang="ts">
import { NuxtLink } from '#components'
import { useTool } from '../use-tool'
import ToolFields from './ToolFields.vue'
import ToolFrame from './ToolFrame.vue'
import ToolResults from './ToolResults.vue'
import UnitSwitch from './UnitSwitch.vue'

/** A tool of fields: what comes out with its ±, its formula and its meaning. */
const props = defineProps<{ id: string }>()
const state = useTool(props.id)
const { tool, words } = state
</script>

<template>
  <ToolFrame v-if="tool" :title="words.title" :use="words.use">
    <template #aside><UnitSwitch /></template>
    <template #measured><ToolFields :state="state" /></template>
    <ToolResults :state="state" />
  </ToolFrame>
  <main v-else class="page">
    <h1>There is no such tool</h1>
    <p><NuxtLink to="/tools">All tools</NuxtLink></p>
  </main>
</template>
