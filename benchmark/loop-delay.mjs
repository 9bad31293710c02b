// Loaded before the server where it is measured: says, when asked and anew, the longest that its loop was kept waiting.
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { writeFileSync } from 'node:fs'

const delay = monitorEventLoopDelay({ resolution: 5 })
delay.enable()
process.on('SIGUSR2', () => {
  writeFileSync(process.env.LOOP_DELAY_FILE, JSON.stringify({ max: delay.max / 1e6, p99: delay.percentile(99) / 1e6 }))
  delay.reset()
})
