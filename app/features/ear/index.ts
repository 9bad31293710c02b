export { default as EarPage } from './components/EarPage.vue'
export { default as EarPanel } from './components/EarPanel.vue'
