<script setup lang="ts">
import { DecideStep } from '../../../features/job'
</script>

<template>
  <DecideStep />
</template>
