import Link from 'next/link'
import { Fragment, type ReactNode } from 'react'
import type { Chapter } from '@/core/chapters'
import { classNames } from '../kit'

interface Props {
  readonly chapters: readonly Chapter[]
  readonly here: string | undefined
  readonly base: string
  readonly state: ReactNode
}

/** The seven chapters as beads on a thread: done, here or to come, each with its count. */
export function Thread({ chapters, here, base, state }: Props) {
  return (
    <nav
      aria-label="Chapters"
      className="flex h-[54px] shrink-0 items-center gap-3 border-b border-ash-3 bg-ash-1 px-6 max-lg:px-4"
    >
      <ol className="flex min-w-0 flex-1 items-center gap-2.5 max-lg:gap-1.5">
        {chapters.map((chapter, at) => {
          const isHere = chapter.name === here
          return (
            <Fragment key={chapter.name}>
              {at > 0 && (
                <li
                  aria-hidden
                  className={classNames(
                    'h-0.5 min-w-2 flex-1 max-w-[46px] max-lg:hidden',
                    chapters[at - 1]!.done ? 'bg-spruce' : 'bg-ash-3',
                  )}
                />
              )}
              <li className="min-w-0">
                <Link
                  href={`${base}/${chapter.name}`}
                  aria-current={isHere ? 'step' : undefined}
                  className={classNames(
                    'flex min-h-8 items-center gap-2 rounded-md px-1 max-lg:gap-1',
                    isHere ? 'font-bold' : 'text-ash-6 hover:text-ink',
                  )}
                >
                  <span
                    className={classNames(
                      'flex size-[22px] shrink-0 items-center justify-center rounded-full border-2 text-xs font-bold',
                      isHere
                        ? 'border-bright-brass bg-brass-tint text-brass'
                        : chapter.done
                          ? 'border-spruce bg-spruce text-on-spruce'
                          : 'border-ash-4 bg-paper text-ash-6',
                    )}
                  >
                    {chapter.done && !isHere ? <span aria-hidden>✓</span> : at + 1}
                  </span>
                  <span className="max-lg:text-[13px] max-md:sr-only">{chapter.title}</span>
                  <span className="sr-only">{chapter.done ? 'done' : 'to do'}</span>
                  {chapter.count !== undefined && (
                    <span className="text-xs font-normal text-ash-6 max-lg:sr-only" title={chapter.counted}>
                      {chapter.count}
                      <span className="sr-only"> ({chapter.counted})</span>
                    </span>
                  )}
                </Link>
              </li>
            </Fragment>
          )
        })}
      </ol>
      {state}
    </nav>
  )
}
