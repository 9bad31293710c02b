<script setup lang="ts">
import { RepairStep } from '../../../features/job'
</script>

<template>
  <RepairStep />
</template>
