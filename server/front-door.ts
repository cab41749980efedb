import { type IncomingMessage, Server, type ServerResponse } from 'node:http'

const methods = ['GET', 'HEAD', 'POST']

/** Why a request can't be one of ours: a method that nothing here answers, or an address that is no text. */
export function refusalOf({ method = '', url = '' }: Pick<IncomingMessage, 'method' | 'url'>): 400 | 405 | undefined {
  if (!methods.includes(method)) return 405
  try {
    return decodeURIComponent(url.split('?')[0]!).includes('\0') ? 400 : undefined
  } catch {
    return 400
  }
}

const words = {
  400: 'This address can’t be read. Start again from the front page.',
  405: 'This can’t be asked here.',
}

/** Where a request really comes from; what a client writes there itself doesn't count. */
export const addressHeader = 'x-hearth-address'

/** Behind a balancer every request comes from there; what it adds last says from where it came to it. */
const addressOf = (request: IncomingMessage): string =>
  (process.env.HEARTH_BEHIND_PROXY === '1' &&
    String(request.headers['x-forwarded-for'] ?? '')
      .split(',')
      .at(-1)
      ?.trim()) ||
  request.socket.remoteAddress ||
  'unknown'

/** Answers such requests before the framework meets them, which fails at them as if it were at fault itself. */
export function guardFrontDoor(): void {
  const emit = Server.prototype.emit as (this: Server, event: string, ...rest: unknown[]) => boolean
  Server.prototype.emit = function (this: Server, event: string, ...rest: unknown[]) {
    const [request, response] = rest as [IncomingMessage, ServerResponse]
    const status = event === 'request' ? refusalOf(request) : undefined
    if (event === 'request') request.headers[addressHeader] = addressOf(request)
    if (status === undefined) return emit.call(this, event, ...rest)
    response.writeHead(status, {
      'content-type': 'text/plain; charset=utf-8',
      ...(status === 405 && { allow: methods.join(', ') }),
    })
    response.end(`${words[status]}\n`)
    return true
  }
}
