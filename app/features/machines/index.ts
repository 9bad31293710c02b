export { default as MachineForm } from './components/MachineForm.vue'
export { default as MachineImport } from './components/MachineImport.vue'
export { default as MachineList } from './components/MachineList.vue'
export { default as MachinePage } from './components/MachinePage.vue'
