<script setup lang="ts">
import { useHead } from '#imports'
import { PartsImport } from '../../../features/parts'

useHead({ title: 'Parts from a file · Duckweed' })
</script>

<template>
  <PartsImport />
</template>
