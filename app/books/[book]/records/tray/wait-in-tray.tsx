'use client'

import { Inbox } from 'lucide-react'
import { useEffect, useState } from 'react'
import type { EditionForm, EditionNow } from '@/server/reports'
import { Button, Menu, MenuItem } from '@/ui/kit'
import { useTrayDoing } from './use-tray-doing'

/** Whoever waits for longer than this needn't, in milliseconds. */
const soon = 1500

interface Props {
  readonly edition: EditionNow | undefined
  /** As what it may be had; chosen between where there are several. */
  readonly forms?: readonly EditionForm[]
}

const onlyPdf = ['pdf'] as const

/** As long as pages are being laid: have them in the tray when they are, and go on with something else. */
export function WaitInTray({ edition, forms = onlyPdf }: Props) {
  const id = edition && !edition.laid && !edition.problem ? edition.id : undefined
  return id ? <Waiting key={id} edition={id} forms={forms} /> : null
}

function Waiting({ edition, forms }: { readonly edition: string; readonly forms: readonly EditionForm[] }) {
  const { put } = useTrayDoing()
  const [isLong, setLong] = useState(false)
  const [isPut, setPut] = useState(false)
  useEffect(() => {
    const later = setTimeout(() => setLong(true), soon)
    return () => clearTimeout(later)
  }, [])
  if (!isLong) return null
  const press = async (form: EditionForm) => {
    setPut(true)
    setPut(await put(edition, form))
  }
  const [form, ...others] = forms
  const isOne = others.length === 0
  const button = (
    <Button disabled={isPut} {...(isOne && form && { onClick: () => void press(form) })}>
      <Inbox size={15} aria-hidden /> {isPut ? 'Goes into the tray' : 'Wait for it in the tray'}
    </Button>
  )
  if (isOne || isPut) return button
  return (
    <Menu trigger={button}>
      <MenuItem onSelect={() => void press('pdf')} say="all of them, one after the other">
        One PDF
      </MenuItem>
      <MenuItem onSelect={() => void press('zip')} say="named by what each is for, in a ZIP file">
        A PDF for each
      </MenuItem>
    </Menu>
  )
}
