<script setup lang="ts">
import { useHead } from '#imports'
import { ToolList } from '../../features/tools'

useHead({ title: 'Tools · Duckweed' })
</script>

<template>
  <ToolList />
</template>
