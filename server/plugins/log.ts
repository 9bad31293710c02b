import { performance } from 'node:perf_hooks'
import { defineNitroPlugin } from '#imports'
import { logged } from '../platform/log'

/** One line for each request, once it is over. */
export default defineNitroPlugin((nitro) => {
  if (import.meta.prerender) return
  nitro.hooks.hook('request', (event) => {
    const began = performance.now()
    const { res } = event.node
    res.once('close', () => {
      // Who went before the answer was whole saw none of its status.
      const status = res.writableFinished ? res.statusCode : 0
      console.log(logged(event.method, event.path, status, performance.now() - began))
    })
  })
})
