<script setup lang="ts">
import { definePageMeta } from '#imports'
import { useRoute } from 'vue-router'
import { JobDesk } from '../../features/job'

// Another job is another page: nothing of the one before lives on.
definePageMeta({ key: (route) => route.path })
const id = String(useRoute().params.id)
</script>

<template>
  <JobDesk :id="id" />
</template>
