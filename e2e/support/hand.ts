import type { Locator, Page } from '@playwright/test'

/** A hand at keys and pointer that counts what it does: 60 ms a key, a second every other act, whatever machine this runs on. */
export function handOf(page: Page) {
  let keys = 0
  let acts = 0
  const type = async (text: string) => {
    keys += text.length
    await page.keyboard.insertText(text)
  }
  return {
    seconds: () => keys * 0.06 + acts,
    type,
    async press(key: string) {
      keys++
      await page.keyboard.press(key)
    },
    async tap(at: Locator) {
      acts++
      await at.click()
    },
    async pick(at: Locator, choice: string | { index: number }) {
      acts++
      await at.selectOption(choice)
    },
    /** Over whatever stands in the field. */
    async write(at: Locator, text: string) {
      acts++
      await at.click()
      await page.keyboard.press('ControlOrMeta+A')
      await type(text)
    },
  }
}
