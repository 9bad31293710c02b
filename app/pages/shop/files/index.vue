<script setup lang="ts">
import { useHead } from '#imports'
import { FilesPage } from '../../../features/files'

useHead({ title: 'In and out · Duckweed' })
</script>

<template>
  <FilesPage />
</template>
