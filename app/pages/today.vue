<script setup lang="ts">
import { useHead } from '#imports'
import { TodayPage } from '../features/today'

useHead({ title: 'Today · Duckweed' })
</script>

<template>
  <TodayPage />
</template>
