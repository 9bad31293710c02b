import type { MeasurementInterface, MeasurementOf } from '../contract'

declare module '../../../model/kinds/contract' {
  interface MeasurementFields {
    /** A signal of the part looked at, listened to or felt. */
    sense: {
      signal: string
      sense: Sense
      /** Seen or handled so plainly that hardly anybody is mistaken. */
      plain?: true
      /** The part (index) whose leads it has meanwhile, and that has its own. */
      leadsOf?: number
      /** `found`: as the customer's run left it, before anything is moved. */
      when: 'active' | 'idle' | 'isolated' | 'cold' | 'found'
    }
  }
}

export const measurementInterface: MeasurementInterface<MeasurementOf<'sense'>> = {
  shape: () => ({ type: 'yes-no' }),
  meter: () => undefined,
  minutes: 0.4,
  opens: 'nothing',
  touches: (m) => m.sense === 'hand' || Object.keys(m.held ?? {}).length > 0,
  partAlone: (m) => m.when === 'isolated' && !m.held,
}
