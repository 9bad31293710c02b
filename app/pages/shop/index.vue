<script setup lang="ts">
import { definePageMeta } from '#imports'

definePageMeta({ redirect: '/shop/schedule' })
</script>

<template>
  <div />
</template>
