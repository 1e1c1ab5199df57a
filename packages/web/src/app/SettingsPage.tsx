import { useEffect } from 'react'
import { dateForms, textSizes, usePreferences, type Theme } from '../platform/preferences.ts'
import { dayText } from '../platform/when.ts'

const themes: readonly Theme[] = ['auto', 'light', 'dark']
const sizeNames = { 100: 'usual', 112: 'larger', 125: 'largest' } as const

/** Takes the key that a clicker sends; Tab and Escape lead on, Delete clears. */
function ClickerKey({ name, part }: { name: string; part: 'next' | 'other' }) {
  const { clicker, set } = usePreferences()
  const twin = part === 'next' ? 'other' : 'next'
  return (
    <div>
      <label className="flex flex-col gap-1 font-semibold">
        {name}
        <input
          readOnly
          className="font-text font-normal"
          placeholder="no key"
          value={clicker[part] === ' ' ? 'space' : (clicker[part] ?? '')}
          onKeyDown={(event) => {
            if (['Tab', 'Escape', 'Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) return
            event.preventDefault()
            const key = event.key === 'Delete' || event.key === 'Backspace' ? null : event.key
            set({
              clicker: { ...clicker, [part]: key, ...(key !== null && clicker[twin] === key ? { [twin]: null } : {}) },
            })
          }}
        />
      </label>
      {clicker[part] !== null && (
        <button
          type="button"
          className="min-h-11 font-semibold underline underline-offset-4"
          onClick={() => set({ clicker: { ...clicker, [part]: null } })}
        >
          No key for “{name.toLowerCase()}”
        </button>
      )}
    </div>
  )
}

/** How this device shows things; kept on the device. */
export function SettingsPage() {
  const { theme, strong, size, keys, dates, figures, colours, setTheme, setStrong, set } = usePreferences()
  useEffect(() => {
    document.title = 'Settings · Tidy Badger'
  }, [])
  return (
    <main id="main" className="mx-auto w-full max-w-2xl px-4 py-6 lg:px-8">
      <h1 className="mb-1 text-head font-bold">Settings</h1>
      <p className="mb-6 text-quiet">
        Of this device. What is typed is metric, as fields say; a decimal comma and a decimal point both count.
      </p>
      <div className="flex flex-col gap-6">
        <label className="flex flex-col font-head text-title font-bold">
          Light or dark
          <select
            className="font-text text-body font-normal"
            value={theme}
            onChange={(event) => setTheme(themes.find((item) => item === event.target.value) ?? 'auto')}
          >
            <option value="auto">as the device</option>
            <option value="light">light</option>
            <option value="dark">dark</option>
          </select>
        </label>
        <label className="flex flex-col font-head text-title font-bold">
          Size of text and buttons
          <select
            className="font-text text-body font-normal"
            value={size}
            onChange={(event) => set({ size: textSizes.find((item) => String(item) === event.target.value) ?? 100 })}
          >
            {textSizes.map((item) => (
              <option key={item} value={item}>
                {sizeNames[item]}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col font-head text-title font-bold">
          Dates
          <select
            className="font-text text-body font-normal"
            value={dates}
            onChange={(event) => set({ dates: dateForms.find((item) => item === event.target.value) ?? dates })}
          >
            {dateForms.map((item) => (
              <option key={item} value={item}>
                {dayText(new Date(2026, 7, 3), item)}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col font-head text-title font-bold">
          Units
          <select
            className="font-text text-body font-normal"
            value={figures.units}
            onChange={(event) => set({ figures: { ...figures, units: event.target.value === 'US' ? 'US' : 'metric' } })}
          >
            <option value="metric">metric</option>
            <option value="US">US, metric in brackets</option>
          </select>
        </label>
        <label className="flex flex-col font-head text-title font-bold">
          Colours of wires in
          <select
            className="font-text text-body font-normal"
            value={colours}
            onChange={(event) => set({ colours: event.target.value })}
          >
            <option value="en">English, grey/violet</option>
            <option value="de">German, grau/violett</option>
            <option value="fr">French, gris/violet</option>
            <option value="it">Italian, grigio/viola</option>
            <option value="es">Spanish, gris/violeta</option>
            <option value="ja">Japanese in Latin letters, hai/murasaki</option>
          </select>
        </label>
        <label className="flex flex-col font-head text-title font-bold">
          Decimals
          <select
            className="font-text text-body font-normal"
            value={figures.decimals}
            onChange={(event) =>
              set({ figures: { ...figures, decimals: event.target.value === 'comma' ? 'comma' : 'point' } })
            }
          >
            <option value="point">a point, 12.46 V</option>
            <option value="comma">a comma, 12,46 V</option>
          </select>
        </label>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" checked={strong} onChange={(event) => setStrong(event.target.checked)} />
          Strong contrast, for sun and dirt
        </label>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" checked={keys} onChange={(event) => set({ keys: event.target.checked })} />
          Single keys do things (space, N, K, J and others; ? shows them)
        </label>
        <fieldset>
          <legend className="font-head text-title font-bold">A wireless clicker</legend>
          <p className="mb-2 text-quiet">
            Choose a field and press the clicker’s button: hands stay on the machine, the clicker ticks.
          </p>
          <div className="grid gap-3 sm:grid-cols-2">
            <ClickerKey name="Does the next thing" part="next" />
            <ClickerKey name="Not like this" part="other" />
          </div>
        </fieldset>
      </div>
    </main>
  )
}
