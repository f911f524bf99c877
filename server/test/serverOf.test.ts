import express from 'express';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { expect, it } from 'vitest';
import { serverOf } from '../src/http/serverOf.js';

it('makes requests and answers as Express wants them, so that nothing has to turn them', async () => {
  const app = express();
  app.use(express.json());
  app.post('/told', (request, response) => {
    response.status(201).json({ told: request.body as unknown, from: request.ip });
  });
  const server = serverOf(app);
  const made: object[] = [];
  server.prependListener('request', (request, response) => {
    made.push(Object.getPrototypeOf(request) as object, Object.getPrototypeOf(response) as object);
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const answer = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/told`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: '{"a":1}',
  });
  expect(answer.status).toBe(201);
  expect(await answer.json()).toEqual({ told: { a: 1 }, from: '127.0.0.1' });
  expect(made).toHaveLength(2);
  expect(made[0]).toBe(app.request);
  expect(made[1]).toBe(app.response);
  server.close();
});
