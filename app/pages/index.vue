<script setup lang="ts">
import { definePageMeta } from '#imports'

definePageMeta({ redirect: '/today' })
</script>

<template><div /></template>
