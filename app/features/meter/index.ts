export { default as MeterPage } from './components/MeterPage.vue'
export { default as MeterPanel } from './components/MeterPanel.vue'
