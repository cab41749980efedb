import { officeNow } from '@/app/office-now'
import type { Report } from '@/core/book'
import type { ReportFileKind } from '@/server/reports'
import { answerOf } from '../paper/use-edition'

/** The report as a file without pages, read to its end. */
export async function reportFile(
  base: string,
  report: Report,
  given: Readonly<Record<string, string>>,
  as: ReportFileKind,
): Promise<Blob> {
  const answer = await fetch(`${base}/reports/lay`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ report, given, moment: officeNow().moment, view: 'sheet', as }),
  })
  if (answer.ok) return answer.blob()
  return answerOf<Blob>(Promise.resolve(answer))
}
