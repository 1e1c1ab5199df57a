import { bodyView } from '@tidy-badger/core/drawing'
import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { expect, test, vi } from 'vitest'
import { TabPlaces } from './components/TabPlaces.tsx'

const body = { form: 'quad', lengthM: 2, widthM: 1, heightM: 1, wheelbaseM: 1.2, wheelM: 0.6 } as const
const paper = { ...bodyView(body, 'top'), unit: 0.005, shown: { x: 0, y: 0, width: 2, height: 1 } }

test('keys go from the work outwards, and press what does something', async () => {
  const act = vi.fn()
  render(
    <svg>
      <TabPlaces
        from={{ x: 0, y: 0, z: 0 }}
        paper={paper}
        places={[
          { id: 'tail', label: 'Tail, on', at: { x: 1.9, y: 0, z: 0.5 }, act },
          { id: 'fan', label: 'Front: radiator fan', at: { x: 0.2, y: 0, z: 0.5 } },
        ]}
      />
    </svg>,
  )
  const user = userEvent.setup()
  await user.tab()
  expect(document.activeElement).toBe(screen.getByRole('img', { name: 'Front: radiator fan' }))
  await user.keyboard('{Enter}')
  expect(act).not.toHaveBeenCalled()
  await user.tab()
  expect(document.activeElement).toBe(screen.getByRole('button', { name: 'Tail, on' }))
  await user.keyboard('{Enter}')
  expect(act).toHaveBeenCalledOnce()
})
