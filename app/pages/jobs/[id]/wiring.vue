<script setup lang="ts">
import { WiringStep } from '../../../features/job'
</script>

<template>
  <WiringStep />
</template>
