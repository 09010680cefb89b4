/** Methods that the framework can't even look at (TRACE and its like) are refused before they reach it. */

import type { IncomingMessage } from 'node:http';
import { Server, type ServerResponse } from 'node:http';

const KNOWN = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);

const BODY = JSON.stringify({
  type: '/api/v1/openapi.json#problem-400',
  title: 'The request could not be read',
  status: 400,
  detail: 'That method means nothing here.',
  errors: [],
});

export function refuseStrangeMethods(): void {
  const { emit } = Server.prototype;
  Server.prototype.emit = function strange(this: Server, event: string | symbol, ...of: unknown[]): boolean {
    if (event === 'request') {
      const [request, response] = of as [IncomingMessage, ServerResponse];
      if (!KNOWN.has(request.method ?? '')) {
        response.writeHead(400, { 'content-type': 'application/problem+json', connection: 'close' }).end(BODY);
        return true;
      }
    }
    return Reflect.apply(emit, this, [event, ...of]) as boolean;
  };
}
