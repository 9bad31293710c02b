<script setup lang="ts">
import { NuxtPage } from '#components'
import { AppShell } from './features/shell'
import { useLook } from './ui'

useLook()
</script>

<template>
  <AppShell><NuxtPage /></AppShell>
</template>
