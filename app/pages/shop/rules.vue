<script setup lang="ts">
import { useHead } from '#imports'
import { RulesPage } from '../../features/rules'

useHead({ title: 'Rules · Duckweed' })
</script>

<template>
  <RulesPage />
</template>
