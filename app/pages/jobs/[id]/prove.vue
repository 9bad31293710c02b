<script setup lang="ts">
import { ProveStep } from '../../../features/job'
</script>

<template>
  <ProveStep />
</template>
