<script setup lang="ts">
import { useHead } from '#imports'
import { MachineList } from '../../features/machines'

useHead({ title: 'Machines · Duckweed' })
</script>

<template>
  <MachineList />
</template>
