export { default as AppShell } from './components/AppShell.vue'
export { notify, useTrouble } from './notices'
