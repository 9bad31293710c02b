<script setup lang="ts">
import { SafeStep } from '../../../features/job'
</script>

<template>
  <SafeStep />
</template>
