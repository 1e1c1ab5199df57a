// Before anything is shown: the theme this device was set to. The app puts it on again once it runs.
try {
  const { state } = JSON.parse(localStorage.getItem('tidy-badger-preferences') ?? '{"state":{}}')
  const dark = state.theme === 'dark' || (state.theme !== 'light' && matchMedia('(prefers-color-scheme: dark)').matches)
  document.documentElement.classList.toggle('dark', dark)
  document.documentElement.classList.toggle('strong', state.strong === true)
} catch {
  // What is kept there is not readable: the page begins in light.
}
