export { default as ShopBar } from './components/ShopBar.vue'
