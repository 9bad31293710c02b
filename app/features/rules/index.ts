export { default as RulesPage } from './components/RulesPage.vue'
