import { render, screen } from '@testing-library/react'
import { userEvent } from '@testing-library/user-event'
import { useState } from 'react'
import { describe, expect, test } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { Tab, TabList, TabPanel, Tabs } from './Tabs.tsx'

forPages()

const names = ['loom', 'card', 'meter'] as const

function Pictures({ onShow = () => {} }: { onShow?: (name: string) => void }) {
  const [shown, setShown] = useState<(typeof names)[number]>('loom')
  return (
    <Tabs
      names={names}
      shown={shown}
      onShow={(name) => {
        onShow(name)
        setShown(name)
      }}
    >
      <TabList aria-label="Views">
        {names.map((name) => (
          <Tab key={name} value={name}>
            {name}
          </Tab>
        ))}
      </TabList>
      {names.map((name) => (
        <TabPanel key={name} name={name} reached={name === 'meter'}>
          <p>What the {name} shows</p>
        </TabPanel>
      ))}
    </Tabs>
  )
}

/** What is shown; there is one. */
function panel(): HTMLElement {
  const [shown, ...others] = document.querySelectorAll<HTMLElement>('[role=tabpanel]:not([hidden])')
  if (!shown || others.length > 0) throw new Error('not one panel is shown')
  return shown
}

describe('tabs', () => {
  test('only what belongs to the one shown is made, and only its panel is there', () => {
    render(<Pictures />)
    expect(panel().textContent).toBe('What the loom shows')
    expect(screen.queryByText('What the card shows')).toBeNull()
    expect(document.querySelectorAll('[role=tabpanel]')).toHaveLength(3)
  })

  test('each tab names its panel, and each panel its tab, also where two of a kind stand on a page', () => {
    render(
      <>
        <Pictures />
        <Pictures />
      </>,
    )
    const tabs = screen.getAllByRole('tab')
    expect(new Set(tabs.map(({ id }) => id)).size).toBe(6)
    for (const tab of tabs) {
      const named = document.getElementById(tab.getAttribute('aria-controls') ?? '')
      expect(named?.getAttribute('role')).toBe('tabpanel')
      expect(named?.getAttribute('aria-labelledby')).toBe(tab.id)
    }
  })

  test('a finger and the arrow keys turn to another, in order', async () => {
    const said: string[] = []
    render(<Pictures onShow={(name) => said.push(name)} />)
    const hands = userEvent.setup({ delay: null })
    await hands.click(screen.getByRole('tab', { name: 'card' }))
    expect(panel().textContent).toBe('What the card shows')
    expect(screen.getByRole('tab', { name: 'card' }).getAttribute('aria-selected')).toBe('true')
    await hands.keyboard('{ArrowRight}')
    expect(panel().textContent).toBe('What the meter shows')
    await hands.keyboard('{ArrowRight}')
    expect(panel().textContent).toBe('What the loom shows')
    expect([...new Set(said)]).toEqual(['card', 'meter', 'loom'])
  })

  test('the tab key comes by a panel only where nothing in it can be reached', async () => {
    render(<Pictures />)
    expect(panel().tabIndex).toBe(-1)
    await userEvent.setup({ delay: null }).click(screen.getByRole('tab', { name: 'meter' }))
    expect(panel().tabIndex).toBe(0)
  })
})
