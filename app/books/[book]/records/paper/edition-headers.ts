import { fileHeaders } from '@/app/text-answer'
import type { EditionForm } from '@/server/reports'

const types: Readonly<Record<EditionForm, string>> = { pdf: 'application/pdf', zip: 'application/zip' }

/** What tells a browser that pages come as a file: to be looked at, or taken down. */
export const editionHeaders = (title: string, form: EditionForm, isLookedAt = false) => {
  const headers = fileHeaders(types[form], `${title.slice(0, 80)}.${form}`)
  const disposition = headers['content-disposition']
  return isLookedAt ? { ...headers, 'content-disposition': disposition.replace('attachment', 'inline') } : headers
}
