/** One question of how a shop works, each answer with its reason; the first is the usual one. */
export function Practice<Option extends string>({
  legend,
  name,
  options,
  reasons,
  now,
  onChoose,
}: {
  legend: string
  name: string
  options: readonly Option[]
  reasons: Record<string, string>
  now: string
  onChoose: (value: Option) => void
}) {
  return (
    <fieldset>
      <legend className="font-head font-bold">{legend}</legend>
      {options.map((option) => (
        <label key={option} className="flex min-h-11 cursor-pointer items-start gap-2.5 py-1">
          <input
            type="radio"
            name={name}
            className="mt-0.5 size-5 !min-h-0 accent-[var(--lamp)]"
            checked={option === now}
            onChange={() => onChoose(option)}
          />
          <span>
            {option}
            <span className="block text-small text-quiet">{reasons[option]}</span>
          </span>
        </label>
      ))}
    </fieldset>
  )
}
