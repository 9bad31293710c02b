<script setup lang="ts">
import { useHead } from '#imports'
import { FindPage } from '../features/find'

useHead({ title: 'Find · Duckweed' })
</script>

<template>
  <FindPage />
</template>
