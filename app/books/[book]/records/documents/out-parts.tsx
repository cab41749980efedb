'use client'

import { FileDown } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import type { Table, Template } from '@/core/book'
import { nameOf } from '@/core/lists'
import { counted, inSentence, listed, plural } from '@/core/words'
import type { Written } from '@/server/reports'
import { Button, ChoiceBox, Labelled, Menu, MenuItem, Note } from '@/ui/kit'
import { filesOf, pdfOf } from '../paper/use-edition'
import { useRecords } from '../records-context'
import { choicesOf } from './documents-of'
import { outPath, type WrittenFor } from './hand-out-of'

/** For whom a document is written: "for V-00418", "for 12 visits", "for all of a list". */
export function sayFor(of: WrittenFor, table: Table): string {
  if (of.kind === 'record') return `for ${of.label}`
  return of.kind === 'marked' ? `for ${counted(of.refs.length, inSentence(table.name))}` : 'for all of a list'
}

interface WhichProps {
  readonly table: Table
  readonly template: Template
  readonly of: WrittenFor
}

/** The document, another in its place, and the way to change it. */
export function WhichDocument({ table, template, of }: WhichProps) {
  const { book, base, mayChange } = useRecords()
  const router = useRouter()
  const all = choicesOf(book, table.id)
  const isReady = all.some(({ id, isReady: ready }) => ready && id === template.id)
  const goTo = (document: string) =>
    router.replace(
      outPath(base, { table: table.id, document, ...(of.kind === 'record' && { ref: of.ref, label: of.label }) }),
    )
  const change = isReady
    ? `${base}/documents/new?${new URLSearchParams({ of: table.id, as: template.id })}`
    : `${base}/documents/${template.id}`
  return (
    <section aria-label="The document" className="flex flex-col gap-2">
      <Labelled label="Document" htmlFor="out-document">
        <ChoiceBox id="out-document" value={template.id} onChange={(event) => goTo(event.target.value)}>
          {[false, true].map((ready) => {
            const some = all.filter((one) => one.isReady === ready)
            return (
              some.length > 0 && (
                <optgroup key={String(ready)} label={ready ? 'Laid out by the program' : 'Written here'}>
                  {some.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </optgroup>
              )
            )
          })}
        </ChoiceBox>
      </Labelled>
      {of.kind === 'list' && <p className="text-[13px] text-ash-6">For each in the list {nameOf(book, of.list)}.</p>}
      {mayChange && (
        <p>
          <Link href={change} className="rounded-sm font-semibold text-spruce underline underline-offset-2">
            {isReady ? 'Write your own from it' : 'Change the document'}
          </Link>
        </p>
      )}
    </section>
  )
}

interface SaidProps {
  readonly written: Written
  readonly of: WrittenFor
  readonly table: Table
  readonly pages: number
}

/** How many there are, and what came of fitting labels. */
export function SayWritten({ written: { documents, labels, plain }, of, table, pages }: SaidProps) {
  const noun = inSentence(table.name)
  const gone = of.kind === 'marked' ? of.refs.length - documents : 0
  return (
    <>
      {gone > 0 && (
        <Note mark="look" head={`${counted(gone, noun)} of those that were marked ${gone === 1 ? 'is' : 'are'} gone`}>
          Somebody removed {gone === 1 ? 'it' : 'them'} meanwhile.
        </Note>
      )}
      <Note mark="fine" head={labels ? counted(documents, 'label') : counted(documents, 'document')}>
        {documents === 1 ? `For one ${noun}` : `For ${documents.toLocaleString('en-GB')} ${plural(noun)}`}, on{' '}
        {counted(pages, labels ? 'sheet' : 'page')}.
      </Note>
      {plain && (
        <Note mark="look" head="Some codes can’t be drawn">
          {listed(plain)}: written instead. An EAN has 13 figures and a check digit that fits; Code 128 has no accents.
        </Note>
      )}
      {labels && labels.smaller > 0 && (
        <Note mark="info" head={`${counted(labels.smaller, 'label')} set smaller`}>
          Their words would not have fitted otherwise.
        </Note>
      )}
      {labels && labels.goOn > 0 && (
        <Note mark="look" head={`${counted(labels.goOn, 'label')} ${labels.goOn === 1 ? 'goes' : 'go'} on`}>
          Even the smallest letters don’t fit there, so the next label has the rest. Put less on it, or use larger ones.
        </Note>
      )}
    </>
  )
}

interface FileProps {
  readonly laid: string | undefined
  readonly base: string
  /** Several documents can be taken as a file each. */
  readonly isSeveral: boolean
}

/** Takes the documents as files. */
export function TakeFile({ laid, base, isSeveral }: FileProps) {
  const take = (path: string) => window.location.assign(path)
  const trigger = (
    <Button
      look="main"
      disabled={!laid}
      {...(!isSeveral && { onClick: () => laid && take(pdfOf(base, laid, 'file')) })}
    >
      <FileDown size={15} aria-hidden /> {isSeveral ? 'Take as files' : 'Take as PDF'}
    </Button>
  )
  if (!isSeveral || !laid) return trigger
  return (
    <Menu trigger={trigger}>
      <MenuItem onSelect={() => take(pdfOf(base, laid, 'file'))} say="all of them, one after the other">
        One PDF
      </MenuItem>
      <MenuItem onSelect={() => take(filesOf(base, laid))} say="named by what each is for, in a ZIP file">
        A PDF for each
      </MenuItem>
    </Menu>
  )
}
