import { cleanup, render, screen, waitFor } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { keptText, useKeptTexts } from '../../platform/keptTexts.ts'
import { Button } from '../Button.tsx'
import { asWords, ChoiceField, FigureField, TextField } from './Fields.tsx'
import { figure, mayBeEmpty, words, z } from './schema.ts'
import { useFields } from './useFields.ts'
import '../../testing/patience.ts'

const asked = z.object({
  what: words(20),
  more: mayBeEmpty(20),
  kind: z.enum(['bolt', 'clip']),
  length: figure('mm', 'A length above nothing.', (mm) => mm > 0),
})
type Asked = z.infer<typeof asked>

function Form({ onSend }: { onSend: (values: Asked) => boolean | Promise<boolean> }) {
  const fields = useFields(asked, {
    start: { what: '', more: '', kind: 'bolt', length: '' },
    place: 'job/j1/form',
    onSend,
  })
  return (
    <form onSubmit={fields.submit}>
      <TextField of={fields} name="what" label="What" />
      <TextField of={fields} name="more" label="More" lines={2} />
      <ChoiceField of={fields} name="kind" label="Kind" options={asWords(['bolt', 'clip'])} />
      <FigureField of={fields} name="length" label="Length" unit="mm" />
      <Button type="submit" disabled={!fields.ready}>
        Send
      </Button>
    </form>
  )
}

const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const send = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Send' })

afterEach(cleanup)
beforeEach(() => useKeptTexts.setState({ texts: {} }))

describe('a form by its schema', () => {
  test('gives what the schema made of it, and stands as at the start again', async () => {
    const sent: Asked[] = []
    render(<Form onSend={(values) => sent.push(values) > 0} />)
    expect(send().disabled).toBe(true)
    await userEvent.type(field('What'), '  left clamp ')
    await userEvent.selectOptions(field('Kind'), 'clip')
    await userEvent.type(field('Length'), '12,5 mm')
    await waitFor(() => expect(send().disabled).toBe(false))
    await userEvent.click(send())
    await waitFor(() => expect(sent).toEqual([{ what: 'left clamp', more: '', kind: 'clip', length: 12.5 }]))
    await waitFor(() => expect(field('What').value).toBe(''))
    expect(field('Length').value).toBe('')
    expect(useKeptTexts.getState().texts).toEqual({})
  })

  test('what is typed is there after a reload, and stays where it was refused', async () => {
    const first = render(<Form onSend={() => true} />)
    await userEvent.type(field('What'), 'right clamp')
    await waitFor(() => expect(keptText('job/j1/form/what')).toBe('right clamp'))
    first.unmount()
    render(<Form onSend={() => false} />)
    expect(field('What').value).toBe('right clamp')
    await userEvent.type(field('Length'), '3')
    await waitFor(() => expect(send().disabled).toBe(false))
    await userEvent.click(send())
    expect(field('What').value).toBe('right clamp')
    expect(keptText('job/j1/form/length')).toBe('3')
  })

  test('what is typed while it is sent is not taken away', async () => {
    let through: (sent: boolean) => void = () => undefined
    render(<Form onSend={() => new Promise((done) => (through = done))} />)
    await userEvent.type(field('What'), 'one')
    await userEvent.type(field('Length'), '3')
    await waitFor(() => expect(send().disabled).toBe(false))
    await userEvent.click(send())
    await userEvent.type(field('More'), 'and this')
    through(true)
    await waitFor(() => expect(send().disabled).toBe(false))
    expect(field('More').value).toBe('and this')
  })

  test('says what is wrong once the field is left, and not before', async () => {
    render(<Form onSend={() => true} />)
    await userEvent.type(field('Length'), '-')
    expect(screen.queryByRole('alert')).toBeNull()
    await userEvent.tab()
    expect((await screen.findByRole('alert')).textContent).toBe('A length above nothing.')
    expect(field('Length').value).toBe('-')
  })
})
