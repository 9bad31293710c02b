export { default as FilesPage } from './components/FilesPage.vue'
