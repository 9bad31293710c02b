<script setup lang="ts">
import { RunStep } from '../../../features/job'
</script>

<template>
  <RunStep />
</template>
