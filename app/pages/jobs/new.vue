<script setup lang="ts">
import { useHead } from '#imports'
import { NewCall } from '../../features/jobs'

useHead({ title: 'New call · Duckweed' })
</script>

<template>
  <NewCall />
</template>
