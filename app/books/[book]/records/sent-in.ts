/** What is sent as JSON, up to a length in letters; undefined where it is none, or longer. */
export async function sentIn(request: Request, longest: number): Promise<unknown> {
  const text = await request.text()
  try {
    return text.length > longest ? undefined : JSON.parse(text)
  } catch {
    return undefined
  }
}
