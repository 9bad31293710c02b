import { onScopeDispose, ref, shallowRef } from 'vue'
import { askForReport, listReports, readReportFile, type ReportRow } from '../../../shared/contracts/reports'
import { ApiError, call } from '../../data/http'
import { hear } from '../../data/tabs'

/** What is being made is asked after so often, ms. */
const EVERY = 1000

/** The reports of a job that the server makes, and how far they are. */
export function useReports(job: string) {
  const reports = shallowRef<ReportRow[]>([])
  const trouble = ref('')
  const asking = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let gone = false

  async function read(): Promise<void> {
    clearTimeout(timer)
    try {
      const answer = await call(listReports, { params: { id: job } })
      if (gone) return
      reports.value = answer.reports
      trouble.value = ''
    } catch (error) {
      if (gone) return
      // A job that has not been sent yet has none.
      trouble.value = error instanceof ApiError && error.status !== 404 ? error.message : ''
    }
    const goesOn = reports.value.some((r) => r.state === 'waiting' || r.state === 'making')
    if (goesOn || trouble.value) timer = setTimeout(() => void read(), trouble.value ? 3 * EVERY : EVERY)
  }
  async function ask(form: ReportRow['form'], reader: ReportRow['reader']): Promise<void> {
    asking.value = true
    try {
      await call(askForReport, { params: { id: job }, body: { form, reader } })
      await read()
    } catch (error) {
      trouble.value = error instanceof Error ? error.message : String(error)
    } finally {
      asking.value = false
    }
  }
  const file = (id: string) => call(readReportFile, { params: { id } }) as Promise<Uint8Array<ArrayBuffer>>
  const deaf = hear(({ type }) => type === 'again' && void read())
  onScopeDispose(() => {
    gone = true
    clearTimeout(timer)
    deaf()
  })
  void read()
  return { reports, trouble, asking, ask, file }
}
