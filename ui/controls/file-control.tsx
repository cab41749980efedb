'use client'

import { Paperclip, X } from 'lucide-react'
import Image from 'next/image'
import { useRef } from 'react'
import { Button, classNames, IconButton } from '../kit'
import { type ControlProps, type FileSource, noteFor } from './control'

/** Chooses a picture or a document; shows the picture small. */
export function FileControl(props: ControlProps) {
  const { file, field, id, text, readOnly, compact } = props
  const input = useRef<HTMLInputElement>(null)
  return (
    <span
      className={classNames(
        'flex min-h-8 items-center gap-2',
        props.tall !== undefined && 'flex-wrap',
        !compact && 'rounded-md border border-dashed p-1.5',
        props.invalid ? 'border-ember' : 'border-ash-4',
      )}
    >
      {text && file && (
        <a
          href={file.href}
          className="flex min-w-0 items-center gap-2 rounded-sm text-spruce underline underline-offset-2"
          download
        >
          <Small {...props} file={file} />
          <span className={classNames('truncate', field.picturesOnly && props.tall !== undefined && 'sr-only')}>
            {file.name ?? 'Open the file'}
          </span>
        </a>
      )}
      <input
        ref={input}
        id={id}
        type="file"
        className="sr-only"
        disabled={readOnly || !file}
        accept={field.picturesOnly ? 'image/png,image/jpeg,image/webp,image/gif' : undefined}
        {...noteFor(props)}
        onChange={(event) => {
          const chosen = event.target.files?.[0]
          if (chosen) void file?.send(chosen)
          event.target.value = ''
        }}
      />
      {!readOnly && (
        <Button small disabled={file?.busy || !file} onClick={() => input.current?.click()} tabIndex={-1}>
          {file?.busy ? 'Sending …' : text ? 'Change' : field.picturesOnly ? 'Choose a picture' : 'Choose a file'}
        </Button>
      )}
      {text && !readOnly && (
        <IconButton label={`Remove ${field.name}`} onClick={() => props.onText('')}>
          <X size={15} aria-hidden />
        </IconButton>
      )}
    </span>
  )
}

/** What a file looks like: a picture small, or as high as is wished; a clip for all others. */
function Small({ field, file, tall, compact }: ControlProps & { readonly file: FileSource }) {
  if (!field.picturesOnly) return <Paperclip size={15} aria-hidden />
  const size = compact ? 28 : 64
  return tall ? (
    <Image
      unoptimized
      src={file.href}
      alt={file.name ?? field.name}
      width={600}
      height={400}
      style={{ height: `${tall * 1.5}em`, width: 'auto' }}
      className="max-w-full rounded-sm object-contain"
    />
  ) : (
    <Image
      unoptimized
      src={file.thumbnail}
      alt={`${field.name}, small`}
      width={size}
      height={size}
      className="rounded-sm object-cover"
    />
  )
}
