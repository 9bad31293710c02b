<script setup lang="ts">
import { definePageMeta, useHead } from '#imports'
import { useRoute } from 'vue-router'
import { PartPage } from '../../../features/parts'

definePageMeta({ key: (route) => String(route.params.id) })
useHead({ title: 'Part · Duckweed' })
const id = String(useRoute().params.id)
</script>

<template>
  <PartPage :id="id" />
</template>
