'use client'

import Link from 'next/link'
import { useState } from 'react'
import { answered } from '@/app/answered'
import { counted, inSentence, listed, wordProblem } from '@/core/words'
import type { DryTable } from '@/server/dry-run'
import { Button, Note } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { fillDryRun, throwDryRunAway } from './actions'

type Doing = 'nothing' | 'filling' | 'clearing'

/** The design tried out: filled with made-up records in a scratch database, worked with as staff do, thrown away. */
export function DryRun({ left }: { readonly left: string | undefined }) {
  const { id, book } = useWorkshop()
  const [run, setRun] = useState(left)
  const [tables, setTables] = useState<readonly DryTable[]>()
  const [problem, setProblem] = useState<string>()
  const [doing, setDoing] = useState<Doing>('nothing')

  const fill = async () => {
    setDoing('filling')
    setProblem(undefined)
    setTables(undefined)
    const made = await answered(fillDryRun(id, null))
    setDoing('nothing')
    if (!made.ok) return setProblem(wordProblem(made.problem))
    setRun(made.value.id || undefined)
    setTables(made.value.tables)
  }
  const clear = async () => {
    setDoing('clearing')
    const gone = await answered(throwDryRunAway(id, null))
    setDoing('nothing')
    if (!gone.ok) return setProblem(wordProblem(gone.problem))
    setRun(undefined)
    setTables(undefined)
  }
  const records = tables?.reduce((sum, table) => sum + table.records, 0) ?? 0
  const none = tables?.filter((table) => table.records === 0) ?? []
  return (
    <section aria-labelledby="dry-head" className="mt-6">
      <h2 id="dry-head" className="mb-1 text-base">
        Dry run
      </h2>
      <p className="mb-3 text-ash-6">
        Fills the design with made-up records that keep its rules, in a database of their own. Try it in Records, then
        throw it away. The book and its records stay as they are.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          look={run ? 'plain' : 'main'}
          disabled={doing !== 'nothing' || book.tables.length === 0}
          onClick={() => void fill()}
        >
          {doing === 'filling' ? 'Filling …' : run ? 'Fill it again' : 'Fill a dry run'}
        </Button>
        {run && (
          <>
            <Link
              href={`/books/${run}/records`}
              className="inline-flex min-h-9 items-center rounded-md bg-spruce px-4 font-bold text-on-spruce"
            >
              Try it in Records
            </Link>
            <Button disabled={doing !== 'nothing'} onClick={() => void clear()}>
              {doing === 'clearing' ? 'Throwing away …' : 'Throw it away'}
            </Button>
          </>
        )}
      </div>
      <div role="status" className="mt-3 flex flex-col gap-2.5">
        {problem && (
          <Note mark="settle" head="The dry run can’t begin">
            {problem}
          </Note>
        )}
        {tables && (
          <Note
            mark="fine"
            head={`${counted(records, 'made-up record')} in ${counted(tables.length - none.length, 'table')}`}
          >
            {listed(
              tables
                .filter((table) => table.records > 0)
                .map((table) => counted(table.records, inSentence(table.name))),
            )}
            .
          </Note>
        )}
        {tables
          ?.filter((table) => table.short)
          .map((table) => (
            <Note
              key={table.table}
              mark={table.records === 0 ? 'settle' : 'look'}
              head={
                table.records === 0
                  ? `No ${inSentence(table.name)} can be entered`
                  : `Only ${counted(table.records, inSentence(table.name))}`
              }
            >
              {table.short}
            </Note>
          ))}
      </div>
    </section>
  )
}
