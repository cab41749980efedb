import { createServer } from 'node:net'

/** A port nobody listens on: the wished one if it is free, else any. */
export const freePort = (wished = 0): Promise<number> =>
  new Promise((done, failed) => {
    const probe = createServer()
    probe.once('error', () => (wished === 0 ? failed(new Error('No free port.')) : done(freePort())))
    probe.listen(wished, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => done(port))
    })
  })
