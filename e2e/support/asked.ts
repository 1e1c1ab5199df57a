import { expect, type Locator } from '@playwright/test'

/** Fills a field by its label, where it is there. */
async function fill(sheet: Locator, label: RegExp, text: string): Promise<boolean> {
  const fields = sheet.getByLabel(label)
  if ((await fields.count()) === 0) return false
  await fields.first().fill(text)
  return true
}

/** Answers what an item asks for on its card, as a machine in order would: a capture, a choice, a boss, a proof. */
export async function answerAsked(sheet: Locator): Promise<void> {
  const send = sheet.getByRole('button', { name: 'Write it down' })
  const seen = sheet.getByRole('button', { name: /^(Started in order|Tight)$/ })
  await expect(send.or(seen).or(sheet.getByRole('button', { name: 'Set', exact: true }))).toBeVisible()
  if (await seen.isVisible()) {
    await seen.click()
    await expect(sheet).toBeHidden()
    return
  }
  if (await fill(sheet, /^Let go, V/, '0.60')) await fill(sheet, /^To the stop, V/, '4.10')
  if (await fill(sheet, /^Behind it, mm/, '300')) {
    await fill(sheet, /^Above the horizontal/, '30')
    await fill(sheet, /^Lean on the side stand/, '12')
  }
  if (await fill(sheet, /^Module, idle/, '30')) {
    await fill(sheet, /^Independent, idle/, '30.2')
    await fill(sheet, /^Module, raised/, '60')
    await fill(sheet, /^Independent, raised/, '60.2')
  }
  if (await fill(sheet, /^Idle before/, '1300'))
    for (let channel = 1; channel <= (await sheet.getByLabel(/^Channel \d+ muted/).count()); channel++) {
      await sheet.getByLabel(new RegExp(`^Channel ${channel} muted`)).fill('1150')
      const dropped = sheet.getByLabel(new RegExp(`^Cylinder that dropped with channel ${channel}$`))
      if ((await dropped.count()) > 0) await dropped.selectOption(String(channel))
    }
  if (await send.isVisible()) await send.click()
  else {
    const choice = sheet.getByRole('combobox')
    if ((await choice.count()) > 0) await choice.selectOption({ index: (await choice.locator('option').count()) - 1 })
    await sheet.getByRole('button', { name: 'Set', exact: true }).click()
  }
  await expect(sheet).toBeHidden()
}
