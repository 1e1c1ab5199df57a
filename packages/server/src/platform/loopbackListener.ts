import type { FastifyInstance } from 'fastify'
import { createServer, type Server } from 'node:http'

/**
 * A second listener on 127.0.0.1 for a server that listens on one address of the network, so that the bench screen itself is
 * always reached. Requests and sockets go to the same server.
 */
export function listenOnLoopbackToo(server: FastifyInstance, port: number): Promise<Server> {
  const listener = createServer((request, response) => server.routing(request, response))
  listener.on('upgrade', (request, socket, head) => server.server.emit('upgrade', request, socket, head))
  return new Promise((resolve, reject) => {
    listener.once('error', reject)
    listener.listen(port, '127.0.0.1', () => resolve(listener))
  })
}
