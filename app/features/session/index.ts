export { default as SignIn } from './components/SignIn.vue'
export { useSession } from './store'
