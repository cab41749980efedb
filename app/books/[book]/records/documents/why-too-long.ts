import { type Template, Template as TemplateShape } from '@/core/book'

/** Why it can't be kept as long as it is. */
export function whyTooLong(template: Template): string | undefined {
  const read = TemplateShape.safeParse({ ...template, name: template.name.slice(0, 60).trim() || 'x' })
  return read.success
    ? undefined
    : 'It is longer than a document may be: at most 300 parts, 400 pieces in a paragraph, 12 lines in an address, 40 paragraphs in an e-mail, tables of 60 rows and 8 columns. Take some out.'
}
