import type { MeasurementOf, MeasurementPrediction } from '../contract'

export const measurementPrediction: MeasurementPrediction<MeasurementOf<'connection'>> = {
  observe(m, { point: { faulted } }) {
    const [own, now] = [faulted.machine.parts, faulted.parts].map((parts) => parts[m.part][m.medium][m.end])
    // Where a hose leads is plain to see; the colours of wires fade.
    return { type: 'sense', sense: 'eye', plain: m.medium === 'ports', truth: own === now }
  },
}
