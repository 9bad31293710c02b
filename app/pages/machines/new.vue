<script setup lang="ts">
import { useHead } from '#imports'
import { MachineForm } from '../../features/machines'

useHead({ title: 'New machine · Duckweed' })
</script>

<template>
  <MachineForm />
</template>
