<script setup lang="ts">
import { definePageMeta } from '#imports'
import { useRoute } from 'vue-router'
import { MachinePage } from '../../features/machines'

definePageMeta({ key: (route) => route.path })
const id = String(useRoute().params.id)
</script>

<template>
  <MachinePage :id="id" />
</template>
