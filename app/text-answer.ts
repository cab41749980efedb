const types = { csv: 'text/csv', json: 'application/json', txt: 'text/tab-separated-values' } as const

/** Text as a file that a browser takes down, sent as it is read. */
export function textAnswer(parts: AsyncGenerator<string>, name: string, ending: keyof typeof types): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await parts.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(next.value))
    },
    // Whoever asked has gone: nothing more is read.
    async cancel() {
      await parts.return(undefined)
    },
  })
  return new Response(body, { headers: fileHeaders(`${types[ending]}; charset=utf-8`, `${name}.${ending}`) })
}

/** What tells a browser that an answer is a file. */
export const fileHeaders = (type: string, name: string) => ({
  'content-type': type,
  'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
  'cache-control': 'no-store',
})
