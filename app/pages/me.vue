<script setup lang="ts">
import { useHead } from '#imports'
import { MyPage } from '../features/me'

useHead({ title: 'Me · Duckweed' })
</script>

<template>
  <MyPage />
</template>
