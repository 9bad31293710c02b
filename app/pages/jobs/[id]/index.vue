<script setup lang="ts">
import { useRoute } from 'vue-router'
import { ComeBack } from '../../../features/job'

const id = String(useRoute().params.id)
</script>

<template>
  <ComeBack :id="id" />
</template>
