import { colourLanguages, type ColourLanguage, type ColourOrder } from '@tidy-badger/core/dossiers'

const languageNames: Record<ColourLanguage, string> = {
  en: 'English',
  de: 'German',
  fr: 'French',
  it: 'Italian',
  es: 'Spanish',
  ja: 'Japanese, in our letters',
}

/** How the sheet writes its wires: which colour first, and in which language. */
export function ReadingOrder({
  order,
  onOrder,
  language,
  onLanguage,
}: {
  order: ColourOrder
  onOrder: (order: ColourOrder) => void
  language: ColourLanguage | ''
  onLanguage: (language: ColourLanguage | '') => void
}) {
  return (
    <div className="flex flex-wrap gap-3">
      <label className="flex flex-col text-small font-semibold">
        Written first
        <select
          value={order}
          onChange={(event) => onOrder(event.target.value === 'stripe first' ? 'stripe first' : 'base first')}
        >
          <option value="base first">the base</option>
          <option value="stripe first">the stripe</option>
        </select>
      </label>
      <label className="flex flex-col text-small font-semibold">
        Language
        <select
          value={language}
          onChange={(event) => onLanguage(colourLanguages.find((item) => item === event.target.value) ?? '')}
        >
          <option value="">any</option>
          {colourLanguages.map((item) => (
            <option key={item} value={item}>
              {languageNames[item]}
            </option>
          ))}
        </select>
      </label>
    </div>
  )
}
