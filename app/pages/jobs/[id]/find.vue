<script setup lang="ts">
import { FindStep } from '../../../features/job'
</script>

<template>
  <FindStep />
</template>
