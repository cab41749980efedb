'use client'

import { NodeViewContent, type NodeViewProps, NodeViewWrapper } from '@tiptap/react'
import { limits } from '@/core/book'
import { classNames } from '@/ui/kit'
import { useChip } from './chip-view'
import type { MailParts } from './text-of'

/** The e-mail that goes with a document, before its text: to whom, what it is about, what it says. */
export function MailView({ node, selected }: NodeViewProps) {
  const { shows, attached } = node.attrs.parts as MailParts
  const { name, example, why } = useChip({ shows })
  const paragraphs = node.childCount - 1
  return (
    <NodeViewWrapper
      className={classNames(
        'mb-8 rounded-md border px-3 pt-2 pb-2.5',
        why ? 'border-[#b3401f]' : 'border-[#c1c8c1]',
        selected && 'outline-2 outline-[#14625c]',
      )}
    >
      <p contentEditable={false} className="pb-1 text-[13px] text-[#465049] select-none">
        E-mail to {why ? <b className="text-[#b3401f]">{why}</b> : <b className="text-[#14423e]">{name}</b>}
        {example !== undefined && ` ${example || '(there is none)'}`}
        {attached && ' · with the document as a PDF'}
      </p>
      <NodeViewContent className="mail-text" />
      {paragraphs > limits.mailParagraphs && (
        <p contentEditable={false} className="pt-1 text-[13px] text-[#b3401f]">
          An e-mail has at most {limits.mailParagraphs} paragraphs. Put the rest into the document.
        </p>
      )}
    </NodeViewWrapper>
  )
}
