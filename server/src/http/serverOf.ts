import type { Express } from 'express';
import { createServer, IncomingMessage, ServerResponse, type Server } from 'node:http';

/**
 * The server of an application, without a port. Requests and answers are made as what Express else turns each into
 * with a change of its prototype, which V8 pays for with slow objects that are kept long: with them made so from the
 * start, there is nothing to turn.
 */
export function serverOf(app: Express): Server {
  return createServer(
    {
      IncomingMessage: withPrototype<typeof IncomingMessage>(app.request, IncomingMessage),
      ServerResponse: withPrototype<typeof ServerResponse>(app.response, ServerResponse),
    },
    app,
  );
}

/** A constructor that sets up what another does, on a prototype that inherits from that of the other. */
function withPrototype<T extends typeof IncomingMessage | typeof ServerResponse>(
  prototype: object,
  parent: T,
): T {
  const setUp = parent as unknown as (this: object, ...args: unknown[]) => void;
  function Made(this: object, ...args: unknown[]): void {
    setUp.apply(this, args);
  }
  Made.prototype = prototype;
  return Made as unknown as T;
}
