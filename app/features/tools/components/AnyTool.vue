<script setup lang="ts">
import { EarPage } from '../../ear'
import { MeterPage } from '../../meter'
import { readsRows } from '../which-tool'
import ConvertPage from './ConvertPage.vue'
import RowToolPage from './RowToolPage.vue'
import TablesPage from './TablesPage.vue'
import TimersPage from './TimersPage.vue'
import TracePage from './TracePage.vue'
import ToolPage from './ToolPage.vue'

/** A tool by its id, whatever its sort. */
defineProps<{ id: string }>()
</script>

<template>
  <ConvertPage v-if="id === 'convert'" />
  <TimersPage v-else-if="id === 'timers'" />
  <EarPage v-else-if="id === 'ear'" />
  <MeterPage v-else-if="id === 'meter'" />
  <TablesPage v-else-if="id === 'tables'" />
  <TracePage v-else-if="id === 'trace'" />
  <RowToolPage v-else-if="readsRows(id)" :id="id" :key="id" />
  <ToolPage v-else :id="id" :key="id" />
</template>
