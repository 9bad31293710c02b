<script setup lang="ts">
import { useHead } from '#imports'
import { SchedulePage } from '../../features/schedule'

useHead({ title: 'Schedule · Duckweed' })
</script>

<template>
  <SchedulePage />
</template>
