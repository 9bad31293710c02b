<script setup lang="ts">
import { useHead } from '#imports'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { AnyTool, titleOfTool } from '../../features/tools'

const route = useRoute()
const id = computed(() => String(route.params.id))
useHead({ title: () => `${titleOfTool(id.value)} · Duckweed` })
</script>

<template>
  <AnyTool :id="id" />
</template>
