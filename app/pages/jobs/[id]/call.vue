<script setup lang="ts">
import { CallStep } from '../../../features/job'
</script>

<template>
  <CallStep />
</template>
