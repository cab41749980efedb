'use client'

import { partName, tableOf } from '@/core/book'
import { unaskedFor } from '@/core/needs'
import { counted, listed } from '@/core/words'
import { Button, Empty } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWorkshop } from '../../workshop-context'

const states = { met: 'met', part: 'met in part', not: 'not met' }

/** What was asked for and what meets it, to print, go through with those who asked, and sign. */
export function SignOffSheet() {
  const { book, proposals, coverage } = useWorkshop()
  const unasked = unaskedFor(book)
  const open = proposals?.reading.open ?? []
  if (book.needs.length === 0) {
    return (
      <Room>
        <Empty head="There is nothing to sign yet">
          Write down the needs first; this sheet shows what becomes of each.
        </Empty>
      </Room>
    )
  }
  return (
    <Room>
      <div className="max-w-[820px]">
        <div className="mb-4 flex flex-wrap items-start justify-between gap-3">
          <div>
            <h1 className="text-[22px] leading-tight">What was asked for: {book.name}</h1>
            <p className="mt-1 text-ash-6">
              {counted(book.needs.length, 'need')}, {counted(book.tables.length, 'table')}. To go through together, and
              sign.
            </p>
          </div>
          <Button look="main" className="print:hidden" onClick={() => window.print()}>
            Print
          </Button>
        </div>
        <table className="w-full border-collapse text-left">
          <thead>
            <tr className="border-b border-ash-4 text-[13px] text-ash-6">
              <th className="w-8 py-1 font-normal">No.</th>
              <th className="py-1 font-normal">Need</th>
              <th className="w-[42%] py-1 pl-3 font-normal">Met by</th>
              <th className="w-20 py-1 pl-3 font-normal">State</th>
            </tr>
          </thead>
          <tbody>
            {book.needs.map((need, at) => (
              <tr key={need.id} className="break-inside-avoid border-b border-ash-3 align-top">
                <td className="py-1.5">{at + 1}</td>
                <td className="py-1.5 break-words">{need.text}</td>
                <td className="py-1.5 pl-3 text-[13px] break-words">
                  {need.metBy.length > 0 ? listed(need.metBy.map((part) => partName(book, part))) : '—'}
                  {coverage?.[at]?.why && <span className="block text-ash-6">{coverage[at].why}</span>}
                </td>
                <td className="py-1.5 pl-3">
                  {states[coverage?.[at]?.state ?? (need.metBy.length > 0 ? 'met' : 'not')]}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {unasked.length > 0 && (
          <section aria-labelledby="unasked" className="mt-6 break-inside-avoid">
            <h2 id="unasked" className="mb-1 text-base">
              What nobody asked for
            </h2>
            <ul className="list-disc pl-5">
              {unasked.map(({ table, fields, whole }) => {
                const here = tableOf(book, table)
                const names = here.fields.filter((field) => fields.includes(field.id)).map((field) => field.name)
                return (
                  <li key={table}>
                    {here.name}
                    {whole ? ': the whole table' : `: ${listed(names)}`}
                  </li>
                )
              })}
            </ul>
          </section>
        )}
        <section aria-labelledby="open-questions" className="mt-6">
          <h2 id="open-questions" className="mb-1 text-base">
            Open questions
          </h2>
          <table className="w-full border-collapse text-left">
            <thead>
              <tr className="border-b border-ash-4 text-[13px] text-ash-6">
                <th className="py-1 font-normal">Question</th>
                <th className="w-40 py-1 pl-3 font-normal">Who should answer</th>
                <th className="w-56 py-1 pl-3 font-normal">Answer</th>
              </tr>
            </thead>
            <tbody>
              {[...open.map((one) => one.text), '', '', ''].map((text, at) => (
                <tr key={`${at}${text}`} className="h-9 break-inside-avoid border-b border-ash-3 align-top">
                  <td className="py-1.5">{text}</td>
                  <td />
                  <td />
                </tr>
              ))}
            </tbody>
          </table>
        </section>
        <div className="mt-10 grid grid-cols-2 gap-10 break-inside-avoid text-[13px] text-ash-6">
          {['For the office', 'For those who asked'].map((who) => (
            <p key={who} className="border-t border-ash-5 pt-1">
              {who}: date, name
            </p>
          ))}
        </div>
      </div>
    </Room>
  )
}
