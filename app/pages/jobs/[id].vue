<script setup lang="ts">
import { definePageMeta } from '#imports'
import { NuxtPage } from '#components'
import { useRoute } from 'vue-router'
import { JobFrame } from '../../features/job'

// Another job is another page: nothing of the one before lives on. The steps of one share it.
definePageMeta({ key: (route) => String(route.params.id) })
const id = String(useRoute().params.id)
</script>

<template>
  <JobFrame :id="id"><NuxtPage /></JobFrame>
</template>
