export { default as MyPage } from './components/MyPage.vue'
