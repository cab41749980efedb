'use client'

import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import { type Control, kindOf } from '@/core/kinds'
import type { ControlProps } from './control'
import { LinkControl } from './link-control'
import {
  DateControl,
  GivenControl,
  LineControl,
  MarkControl,
  NumberControl,
  PassageControl,
  ChoiceControl,
  TickControl,
} from './text-controls'

/** Few tables have pictures; what shows them comes with the first. */
const FileControl = dynamic(() => import('./file-control').then((room) => room.FileControl))

const controls: Record<Control, ComponentType<ControlProps>> = {
  line: LineControl,
  passage: PassageControl,
  number: NumberControl,
  date: DateControl,
  time: LineControl,
  'date-time': DateControl,
  tick: TickControl,
  choice: ChoiceControl,
  mark: MarkControl,
  file: FileControl,
  link: LinkControl,
  given: GivenControl,
  derived: GivenControl,
}

/** The control that staff see for a field, by its kind. */
export function FieldControl(props: ControlProps) {
  const Chosen = controls[kindOf(props.field.kind).control]
  return <Chosen {...props} />
}
