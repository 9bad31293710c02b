<script setup lang="ts">
import { definePageMeta } from '#imports'

definePageMeta({ redirect: (to) => ({ path: `/jobs/${String(to.params.id)}/find`, replace: true }) })
</script>

<template><div /></template>
