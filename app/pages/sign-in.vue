<script setup lang="ts">
import { useHead } from '#imports'
import { SignIn } from '../features/session'

useHead({ title: 'Sign in · Duckweed' })
</script>

<template>
  <SignIn />
</template>
