import type { Role } from '../../../core/job'

/** What each role may do, in the words of a shop. */
export const ROLE_CHOICES: readonly { value: Role; title: string }[] = [
  { value: 'lead', title: 'Leads: everything, people and rules too' },
  { value: 'technician', title: 'Technician: all work' },
  { value: 'trainee', title: 'Trainee: no live work' },
  { value: 'read-only', title: 'Looks only' },
]
