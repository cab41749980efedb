'use client'

import type { Template } from '@/core/book'
import type { Written } from '@/server/reports'
import { Empty } from '@/ui/kit'
import { LaidPages } from '../paper/laid-pages'
import { useEdition } from '../paper/use-edition'
import { useRecords } from '../records-context'

interface Props {
  readonly template: Template
  readonly record: string | undefined
}

/** The document as the pages that it comes to for one record. */
export function DocumentPages({ template, record }: Props) {
  if (record !== undefined) return <Laid template={template} record={record} />
  return (
    <div className="px-6">
      <Empty head="There is no record yet to show it with">Enter one, and its pages are shown here.</Empty>
    </div>
  )
}

const nothing = () => undefined

function Laid({ template, record }: { readonly template: Template; readonly record: string }) {
  const { base } = useRecords()
  const named = { ...template, name: template.name.trim() || '…' }
  const edition = useEdition<Written>(base, 'documents/write', { template: named, of: { refs: [record] } })
  return <LaidPages edition={edition} onSee={nothing} />
}
