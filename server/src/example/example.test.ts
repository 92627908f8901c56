import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openServer, PASSPHRASE, type TestServer } from '../testing/server.js';

const EXAMPLE_FILE = 'demo/season.json';

describe('the example kitchen', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await openServer({ exampleFile: EXAMPLE_FILE });
  });
  afterAll(() => server.close());

  it('is a kitchen of its own: what is changed in it is not changed in one’s own, and nothing is left when it is removed', async () => {
    const { http, folder } = server;
    await http.get('/api/example').expect(200, { isOffered: true, isLoaded: false });
    const early = await http.get('/api/example/kitchen/kitchen').expect(404);
    expect(early.body).toMatchObject({ code: 'not-found' });
    await http.post('/api/example').expect(200, { isOffered: true, isLoaded: true });
    const { body: kitchen } = await http.get('/api/example/kitchen/kitchen').expect(200);
    expect(kitchen).toMatchObject({ makerName: 'Pinwheel Lane Sweets' });
    const changed = { ...(kitchen as object), makerName: 'Tried out' };
    await http.put('/api/example/kitchen/kitchen').send(changed).expect(200);
    await http.get('/api/example/kitchen/kitchen').expect(({ body }: { body: unknown }) => {
      expect(body).toMatchObject({ makerName: 'Tried out' });
    });
    const own = await http.get('/api/kitchen').expect(200);
    expect(own.body).toMatchObject({ makerName: 'My kitchen', version: 0 });
    await http.delete('/api/example').expect(200, { isOffered: true, isLoaded: false });
    expect(existsSync(join(folder, 'example'))).toBe(false);
    await http.get('/api/example/kitchen/kitchen').expect(404);
  });
});

describe('an example kitchen that nobody may see', () => {
  it('is not offered where the kitchen was started without one', async () => {
    const server = await openServer();
    await server.http.get('/api/example').expect(200, { isOffered: false, isLoaded: false });
    await server.http.post('/api/example').expect(404);
    await server.close();
  });

  it('stands behind the same door', async () => {
    const server = await openServer({ locked: true, exampleFile: EXAMPLE_FILE });
    await server.http.post('/api/example').expect(401);
    await server.http.get('/api/example/kitchen/book').expect(401);
    await server.http.post('/api/door/sign-in').send({ passphrase: PASSPHRASE, name: 'a laptop' }).expect(204);
    await server.http.get('/api/example/kitchen/book').expect(404);
    await server.close();
  });
});
