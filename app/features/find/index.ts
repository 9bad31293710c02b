export { default as FindPage } from './components/FindPage.vue'
