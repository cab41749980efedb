/** Lines of CSV as a file that a browser takes down, sent as they are read. */
export function csvAnswer(lines: AsyncGenerator<string>, name: string): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const next = await lines.next()
      if (next.done) controller.close()
      else controller.enqueue(encoder.encode(next.value))
    },
    // Whoever asked has gone: nothing more is read.
    async cancel() {
      await lines.return(undefined)
    },
  })
  return new Response(body, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${name}.csv`)}`,
      'cache-control': 'no-store',
    },
  })
}
