import type { FastifyInstance } from 'fastify'
import { createServer, type Server } from 'node:http'

/**
 * A second ear on 127.0.0.1 for a server that listens on one address of the network, so that the bench screen itself is
 * always reached. Requests and sockets go to the same server.
 */
export function listenOnLoopbackToo(server: FastifyInstance, port: number): Promise<Server> {
  const ear = createServer((request, response) => server.routing(request, response))
  ear.on('upgrade', (request, socket, head) => server.server.emit('upgrade', request, socket, head))
  return new Promise((resolve, reject) => {
    ear.once('error', reject)
    ear.listen(port, '127.0.0.1', () => resolve(ear))
  })
}
