export { default as AppShell } from './components/AppShell.vue'
export { dismiss, notify, useTrouble } from './notices'
