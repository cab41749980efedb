'use client'

import { ChoiceBox, Labelled } from '@/ui/kit'
import { Millimetres } from '../../paper/millimetres'
import type { PictureParts } from './text-of'

interface Props {
  readonly parts: PictureParts
  readonly onChange: (parts: PictureParts) => void
}

/** How wide a picture is, and where it stands. */
export function PictureChoices({ parts, onChange }: Props) {
  const { align, ...rest } = parts
  return (
    <>
      <Millimetres
        id="picture-wide"
        label="Width, mm"
        value={parts.wide}
        least={5}
        most={400}
        tenths={false}
        onChange={(wide) => onChange({ ...parts, wide })}
      />
      <Labelled label="Where it stands" htmlFor="picture-align">
        <ChoiceBox
          id="picture-align"
          value={align ?? ''}
          onChange={({ target: { value } }) =>
            onChange(value === 'middle' || value === 'end' ? { ...rest, align: value } : rest)
          }
        >
          <option value="">at the left</option>
          <option value="middle">in the middle</option>
          <option value="end">at the right</option>
        </ChoiceBox>
      </Labelled>
      <p className="text-[13px] text-ash-6">It is never wider than the paper leaves room for.</p>
    </>
  )
}
