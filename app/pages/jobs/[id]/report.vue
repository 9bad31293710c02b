<script setup lang="ts">
import { ReportStep } from '../../../features/job'
</script>

<template>
  <ReportStep />
</template>
