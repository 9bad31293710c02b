<script setup lang="ts">
import { useHead } from '#imports'
import { PartsPage } from '../../../features/parts'

useHead({ title: 'Parts · Duckweed' })
</script>

<template>
  <PartsPage />
</template>
