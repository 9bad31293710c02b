<script setup lang="ts">
import { definePageMeta, useHead } from '#imports'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { PartPage } from '../../../features/parts'

definePageMeta({ key: (route) => String(route.params.id) })
useHead({ title: 'Part · Duckweed' })
const route = useRoute()
const id = String(route.params.id)
const fresh = computed(() => 'new' in route.query)
</script>

<template>
  <PartPage :id="id" :fresh="fresh" />
</template>
