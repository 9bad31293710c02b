export { default as MeterPage } from './components/MeterPage.vue'
export { keptMeter } from './kept-meter'
export { default as MeterPanel } from './components/MeterPanel.vue'
