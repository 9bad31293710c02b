export { default as PeoplePage } from './components/PeoplePage.vue'
