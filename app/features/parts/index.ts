export { default as PartPage } from './components/PartPage.vue'
export { default as PartsImport } from './components/PartsImport.vue'
export { default as PartsPage } from './components/PartsPage.vue'
