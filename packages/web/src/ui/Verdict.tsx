import { Check, TriangleAlert } from 'lucide-react'

/** One thing that was judged: in order, or not and what to do; never by colour alone. */
export function VerdictLine({ ok, says, change }: { ok: boolean; says: string; change?: string }) {
  return (
    <li className={`flex items-start gap-2 border-l-[5px] py-1 pl-3 ${ok ? 'border-good' : 'border-lamp'}`}>
      {ok ? (
        <Check aria-label="in order" size={22} className="mt-0.5 shrink-0 text-good" />
      ) : (
        <TriangleAlert aria-label="not in order" size={22} className="mt-0.5 shrink-0 text-lamp" />
      )}
      <span>
        {says}
        {change && <span className="block font-semibold">{change}</span>}
      </span>
    </li>
  )
}
