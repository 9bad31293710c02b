<script setup lang="ts">
import { useHead } from '#imports'
import { MachineImport } from '../../features/machines'

useHead({ title: 'Machines from a file · Duckweed' })
</script>

<template>
  <MachineImport />
</template>
