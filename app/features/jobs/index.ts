export { default as JobList } from './components/JobList.vue'
export { default as NewCall } from './components/NewCall.vue'
export { default as JobRow } from './components/JobRow.vue'
