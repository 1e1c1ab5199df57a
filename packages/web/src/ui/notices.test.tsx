import { render, screen } from '@testing-library/react'
import { expect, test } from 'vitest'
import { forPages } from '../testing/testBed.tsx'
import { NoticeBoard } from './NoticeBoard.tsx'
import { notice } from './notices.ts'

forPages()

test('what is said before the board stands is shown once it does; bad news too', async () => {
  notice.say('said early')
  render(<NoticeBoard />)
  expect(await screen.findByText('said early')).toBeTruthy()
  notice.bad('went wrong', { duration: 15_000 })
  notice.good('went well')
  expect(await screen.findByText('went wrong')).toBeTruthy()
  expect(await screen.findByText('went well')).toBeTruthy()
})
