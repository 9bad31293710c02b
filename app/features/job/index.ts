export { default as JobDesk } from './components/JobDesk.vue'
