<script setup lang="ts">
import { useHead } from '#imports'
import { JobList } from '../../features/jobs'

useHead({ title: 'Jobs · Duckweed' })
</script>

<template>
  <JobList />
</template>
