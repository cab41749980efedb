import { officeNow } from '@/app/office-now'
import type { Report } from '@/core/book'
import type { SheetKind } from '@/server/reports'
import { answerOf } from '../paper/use-edition'

/** The report as a file without pages, read to its end. */
export async function sheetOf(
  base: string,
  report: Report,
  given: Readonly<Record<string, string>>,
  as: SheetKind,
): Promise<Blob> {
  const answer = await fetch(`${base}/reports/lay`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ report, given, moment: officeNow().moment, view: 'sheet', as }),
  })
  if (answer.ok) return answer.blob()
  return answerOf<Blob>(Promise.resolve(answer))
}
