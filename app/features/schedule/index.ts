export { default as CarePlans } from './components/CarePlans.vue'
export { default as CalendarLink } from './components/CalendarLink.vue'
export { default as SchedulePage } from './components/SchedulePage.vue'
export { default as VisitsToday } from './components/VisitsToday.vue'
