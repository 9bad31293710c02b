export { default as FiguresPage } from './components/FiguresPage.vue'
