import { z } from 'zod'
import { recall, remember } from './device'

/** The steps of a job that have an address, in their order. */
export const JOB_STEPS = ['call', 'safe', 'wiring', 'find', 'run', 'decide', 'repair', 'prove', 'report'] as const
export type JobStep = (typeof JOB_STEPS)[number]

const KEPT = 'duckweed:steps'
/** Jobs that a device remembers the step of. */
const MOST = 50
const steps = z.array(z.tuple([z.string(), z.enum(JOB_STEPS)]))

function kept(): z.infer<typeof steps> {
  try {
    return steps.catch([]).parse(JSON.parse(recall(KEPT) ?? '[]'))
  } catch {
    return []
  }
}

/** The step at which this device left a job; `undefined` where it was not there, or long ago. */
export const lastStep = (job: string): JobStep | undefined => kept().find(([id]) => id === job)?.[1]

/** Keeps the step at which a job stands now. */
export const keepStep = (job: string, step: JobStep): boolean =>
  remember(KEPT, JSON.stringify([[job, step], ...kept().filter(([id]) => id !== job)].slice(0, MOST)))
