<script setup lang="ts">
import { useHead } from '#imports'
import { FiguresPage } from '../../features/figures'

useHead({ title: 'Figures · Duckweed' })
</script>

<template>
  <FiguresPage />
</template>
