export { default as TodayPage } from './components/TodayPage.vue'
