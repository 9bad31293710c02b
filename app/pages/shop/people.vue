<script setup lang="ts">
import { useHead } from '#imports'
import { PeoplePage } from '../../features/people'

useHead({ title: 'People · Duckweed' })
</script>

<template>
  <PeoplePage />
</template>
