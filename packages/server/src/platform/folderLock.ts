import { createHash } from 'node:crypto'
import { mkdir, realpath } from 'node:fs/promises'
import { createServer, type Server } from 'node:net'

/**
 * Makes sure that one process alone works in a data folder: an abstract socket named after the folder, which the
 * system frees when the process ends, however it ends.
 * @throws a sentence when another process has the folder
 */
export async function lockFolder(folder: string): Promise<{ release: () => Promise<void> }> {
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const real = await realpath(folder)
  const name = `\0tidy-badger-${createHash('sha256').update(real).digest('hex')}`
  const server: Server = createServer((socket) => socket.destroy())
  await new Promise<void>((done, refused) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      refused(
        error.code === 'EADDRINUSE'
          ? new Error(
              `Another Tidy Badger is at work in ${real}. Stop it first, or set TIDY_BADGER_DATA to another folder.`,
            )
          : error,
      ),
    )
    server.listen(name, done)
  })
  server.unref()
  return { release: () => new Promise((done) => server.close(() => done())) }
}
