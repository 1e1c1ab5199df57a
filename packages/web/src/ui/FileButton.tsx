import { useRef, type ReactNode } from 'react'
import { Button } from './Button.tsx'

/** A button that asks for a file. The same file may be picked twice. */
export function FileButton({
  accept,
  label,
  onFiles,
  look,
  multiple = false,
  disabled = false,
  className,
  children,
}: {
  accept: string
  /** Name of the hidden field. */
  label: string
  onFiles: (files: readonly [File, ...File[]]) => void
  look?: 'main' | 'plain' | 'quiet' | 'dock'
  multiple?: boolean
  disabled?: boolean
  className?: string
  children: ReactNode
}) {
  const field = useRef<HTMLInputElement>(null)
  return (
    <>
      <input
        ref={field}
        type="file"
        accept={accept}
        multiple={multiple}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [first, ...others] = event.target.files ?? []
          event.target.value = ''
          if (first) onFiles([first, ...others])
        }}
      />
      <Button look={look} disabled={disabled} className={className} onClick={() => field.current?.click()}>
        {children}
      </Button>
    </>
  )
}
