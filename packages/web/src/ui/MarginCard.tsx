import type { ReactNode } from 'react'

type Tone = 'lamp' | 'data' | 'stop' | 'quiet' | 'good'

const bars: Record<Tone, string> = {
  lamp: 'border-lamp',
  data: 'border-data',
  stop: 'border-stop',
  quiet: 'border-line',
  good: 'border-good',
}

/** One thing that concerns what is in hand, with a bar that says how grave it is. */
export function MarginCard({
  tone,
  title,
  children,
  role,
}: {
  tone: Tone
  title: string
  children?: ReactNode
  role?: 'alert'
}) {
  return (
    <section role={role} className={`border-l-[5px] py-1.5 pl-3.5 ${bars[tone]}`}>
      <h3 className={`text-body font-bold ${tone === 'stop' ? 'text-stop' : ''}`}>{title}</h3>
      <div className="text-small leading-snug">{children}</div>
    </section>
  )
}
