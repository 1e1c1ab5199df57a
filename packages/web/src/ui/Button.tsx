import type { ButtonHTMLAttributes } from 'react'

export type ButtonLook = 'main' | 'plain' | 'dock' | 'quiet' | 'stop'

const looks: Record<ButtonLook, string> = {
  main: 'bg-lamp text-[#15181a] border-2 border-lamp font-bold',
  plain: 'bg-paper text-ink border-2 border-ink font-semibold',
  dock: 'bg-transparent text-dock-ink border-2 border-dock-ink font-bold',
  quiet:
    'bg-transparent text-ink border-2 border-transparent underline underline-offset-4 decoration-line font-semibold',
  stop: 'bg-paper text-stop border-2 border-stop font-bold',
}

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: ButtonLook }) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-lg px-4 py-2 text-body leading-tight disabled:opacity-45 ${looks[look]} ${className}`}
      {...rest}
    />
  )
}
