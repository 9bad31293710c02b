<script setup lang="ts">
import { definePageMeta } from '#imports'

definePageMeta({ redirect: '/jobs' })
</script>

<template><div /></template>
