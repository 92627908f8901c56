import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { request as connect } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { createApp } from '../app.js';
import { CannotStart } from '../storage/cannot-start.js';
import { openServer, PASSPHRASE, TODAY, type TestServer } from '../testing/server.js';
import { ownCertificate } from './certificate.js';
import { DoorFile } from './door-file.js';
import { DoorService, IDLE_MS } from './door.service.js';
import { isGuessable } from './guessable.js';
import { passphraseSchema } from '@usual-pantry/core/api';
import { hashPassphrase, isPassphrase } from './passphrase.js';

let server: TestServer;
beforeEach(async () => {
  server = await openServer({ demo: true, locked: true });
});
afterEach(() => server.close());

/** Somebody else, who keeps cookies of their own. */
const stranger = () => request.agent(server.app.getHttpServer());
const signIn = (who = server.http, passphrase = PASSPHRASE) =>
  who.post('/api/door/sign-in').send({ passphrase, name: 'Laptop' });
const codeFor = async (role: 'maker' | 'helper', name = 'Phone') =>
  ((await server.http.post('/api/door/codes').send({ role, name }).expect(201)).body as { code: string }).code;
const helper = async () => {
  const code = await codeFor('helper');
  const agent = stranger();
  await agent.post('/api/door/pair').send({ code }).expect(204);
  return agent;
};
interface Operation {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
}
/** Every address that the server describes, with ids filled in. */
const operations = async (): Promise<Operation[]> => {
  const { paths } = (await server.http.get('/api/openapi.json').expect(200)).body as { paths: Record<string, object> };
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => ({
      method: method as Operation['method'],
      path: path.replace(/\{[^}]+\}/g, 'sampler'),
    })),
  );
};
const open = new Set([
  'get /api/door',
  'post /api/door/sign-in',
  'post /api/door/pair',
  'get /api/health',
  'post /api/inbox/messages',
]);

describe('a locked door', () => {
  it('lets nobody in who has not signed in, at any address, whatever name is asked', async () => {
    await signIn().expect(204);
    const all = await operations();
    expect(all.length).toBeGreaterThan(60);
    for (const { method, path } of all) {
      if (open.has(`${method} ${path}`)) continue;
      for (const host of ['localhost', '127.0.0.1:4317']) {
        const { status, body } = await stranger()[method](path).set('Host', host).set('X-Forwarded-For', '127.0.0.1');
        expect([method, path, status, (body as { code: string }).code]).toEqual([method, path, 401, 'sign-in']);
      }
    }
    for (const path of ['/API/plan', '/api/plan/', '/api//plan', '/api/./plan', '/api/health/../plan'])
      expect([path, (await stranger().get(path)).status]).not.toEqual([path, 200]);
    // The page itself says nothing of the kitchen
    await stranger().get('/').expect(200);
    expect((await stranger().get('/api/health').expect(200)).body).toEqual({ ok: true });
  });

  it('lets the maker in with the passphrase, with a cookie that no page can read', async () => {
    expect((await signIn(stranger(), 'four words and a cake').expect(401)).body).toMatchObject({
      code: 'wrong-passphrase',
    });
    const { headers } = await signIn().expect(204);
    const [cookie = ''] = headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/^pantry=[\w-]{43}; Max-Age=\d+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Strict$/);
    await server.http.get('/api/plan').expect(200);
    expect((await server.http.get('/api/door')).body).toMatchObject({ visitor: { role: 'maker', name: 'Laptop' } });
    expect((await server.http.get('/api/health')).body).toMatchObject({ ok: true, database: 'writable' });
    // Kept beside the database, for the user alone, and not as it is shown
    const file = join(server.folder, 'door.json');
    expect((await stat(file)).mode & 0o777).toBe(0o600);
    const kept = await readFile(file, 'utf8');
    expect(kept).not.toContain(PASSPHRASE);
    expect(kept).not.toContain(/pantry=([\w-]+)/.exec(cookie)?.[1]);
  });

  it('keeps who has signed in over a stop and a start, and lets them out when that is asked', async () => {
    await signIn().expect(204);
    const other = stranger();
    await signIn(other).expect(204);
    const { devices } = (await server.http.get('/api/door/devices').expect(200)).body as {
      devices: { id: string; isThis: boolean }[];
    };
    expect(devices.map(({ isThis }) => isThis)).toEqual([true, false]);
    await server.http.delete(`/api/door/devices/${devices[1]?.id ?? ''}`).expect(204);
    await other.get('/api/plan').expect(401);
    await server.http.delete('/api/door/devices/nobody').expect(404);
    await server.http.post('/api/door/sign-out').expect(204);
    await server.http.get('/api/plan').expect(401);
  });

  it('pairs one device with a code that holds for minutes and once', async () => {
    await signIn().expect(204);
    const code = await codeFor('maker');
    expect(code).toMatch(/^[A-Z2-9]{10}$/);
    const phone = stranger();
    // As it is typed
    const typed = `${code.slice(0, 5).toLowerCase()}-${code.slice(5).toLowerCase()}`;
    await phone.post('/api/door/pair').send({ code: typed }).expect(204);
    await phone.get('/api/plan').expect(200);
    expect((await stranger().post('/api/door/pair').send({ code }).expect(401)).body).toMatchObject({
      code: 'wrong-code',
    });
    const door = server.app.get(DoorService);
    const late = door.makeCode('maker', 'Phone', Date.now() - 6 * 60_000);
    await stranger().post('/api/door/pair').send({ code: late.code }).expect(401);
  });

  it('forgets a device that was not seen for a month', async () => {
    const door = server.app.get(DoorService);
    const token = await door.signIn(PASSPHRASE, 'Laptop', 'here');
    expect(door.visitorOf(token)).toMatchObject({ name: 'Laptop' });
    expect(door.visitorOf(token, Date.now() + IDLE_MS + 1)).toBeNull();
    expect(door.devices(Date.now() + IDLE_MS + 1)).toEqual([]);
  });

  it('slows down whoever guesses, whatever address they claim to have', async () => {
    await signIn().expect(204);
    let refused = 0;
    for (let tries = 0; tries < 12; tries++) {
      const answer = await stranger()
        .post('/api/door/sign-in')
        .set('X-Forwarded-For', '198.51.100.7')
        .send({ passphrase: `guess number ${String(tries)}`, name: 'x' });
      if (answer.status === 429) {
        refused += 1;
        expect(Number(answer.headers['retry-after'])).toBeGreaterThan(0);
        expect(answer.body).toMatchObject({ code: 'too-many-tries' });
      } else expect(answer.status).toBe(401);
    }
    expect(refused).toBe(4);
    // Who is in stays in
    await server.http.get('/api/plan').expect(200);
  });

  it('changes its passphrase for who knows it, and lets all others out', async () => {
    await signIn().expect(204);
    const other = stranger();
    await signIn(other).expect(204);
    const set = (passphrase: string, old: string | null) =>
      server.http.put('/api/door/passphrase').send({ passphrase, old });
    await set('another four words here', 'not it at all').expect(401);
    const { body } = await set('too short', PASSPHRASE).expect(422);
    expect(body).toMatchObject({ wrong: [{ path: 'passphrase' }] });
    await set('passwordpassword', PASSPHRASE).expect(422);
    await set('another four words here', PASSPHRASE).expect(204);
    await server.http.get('/api/plan').expect(200);
    await other.get('/api/plan').expect(401);
    await signIn(stranger()).expect(401);
    await signIn(stranger(), 'another four words here').expect(204);
  });

  it('writes down who came and what left', async () => {
    await signIn().expect(204);
    await signIn(stranger(), 'four words and a cake').expect(401);
    await server.http.get('/api/season-file').expect(200);
    const { body } = await server.http.get('/api/door/devices').expect(200);
    const { audit } = body as { audit: { what: string; by: string }[] };
    expect(
      audit
        .map(({ what, by }) => [what, by])
        .reverse()
        .slice(-3),
    ).toEqual([
      ['signed in', 'Laptop'],
      ['refused at the door', 'Laptop'],
      ['exported', 'Laptop'],
    ]);
  });

  it('takes nothing from other sites, with or without the cookie', async () => {
    await signIn().expect(204);
    const order = { customer: { name: 'x' }, lines: [{ boxId: 'sampler', count: 1 }] };
    for (const origin of ['https://elsewhere.example', 'null', 'http://localhost:1']) {
      const answer = await server.http.post('/api/orders').set('Origin', origin).send(order);
      expect([answer.status, (answer.body as { code: string }).code]).toEqual([403, 'wrong-origin']);
    }
    const read = await server.http.get('/api/plan').set('Sec-Fetch-Site', 'cross-site');
    expect(read.status).toBe(403);
    expect(read.headers['access-control-allow-origin']).toBeUndefined();
    await server.http.get('/api/plan').set('Host', 'elsewhere.example').expect(403);
  });
});

describe('a helper', () => {
  it('sees what is to be done, and nothing else at any address', async () => {
    await signIn().expect(204);
    const all = await operations();
    const agent = await helper();
    const allowed: string[] = [];
    for (const { method, path } of all) {
      if (open.has(`${method} ${path}`) || path === '/api/changes' || path.endsWith('sign-out')) continue;
      const { status, body } = await agent[method](path);
      if (status === 403) expect([path, (body as { code: string }).code]).toEqual([path, 'not-for-helpers']);
      else allowed.push(`${method} ${path}`);
    }
    expect(allowed.sort()).toEqual([
      'get /api/book',
      'get /api/plan',
      'get /api/plan/hand-overs',
      'get /api/plan/runs',
    ]);
    await agent.post('/api/door/sign-out').expect(204);
    await agent.get('/api/plan').expect(401);
  });

  it('gets neither money nor contacts nor settings with it', async () => {
    await signIn().expect(204);
    const { body: orders } = await server.http.get('/api/orders?size=200').expect(200);
    const agent = await helper();
    const parts = ['', '/runs', '/hand-overs'].map(async (part) => (await agent.get(`/api/plan${part}`).expect(200)).body as Record<string, unknown>); // prettier-ignore
    const [plan, runs, handOvers] = await Promise.all(parts);
    const book = (await agent.get('/api/book').expect(200)).body as Record<string, unknown>;
    expect(plan).toMatchObject({ findings: { stop: 0, decide: 0, know: 0 }, toBuy: 0, shoppingCostMinor: 0 });
    expect(runs?.['runs']).not.toEqual([]);
    const said = JSON.stringify([plan, runs, handOvers, book]);
    for (const { customer, handOver } of (
      orders as { items: { customer: { contact: string }; handOver: { place: string } }[] }
    ).items) {
      if (customer.contact !== '') expect(said).not.toContain(customer.contact);
      if (handOver.place.length > 5) expect(said).not.toContain(handOver.place);
    }
    const amounts = [...said.matchAll(/"(\w*(?:Minor|price)\w*)":(\d+)/gi)].filter(
      ([, , amount]) => Number(amount) > 0,
    );
    expect(amounts.map(([whole]) => whole)).toEqual([]);
    const { kitchen } = (await server.http.get('/api/book')).body as { kitchen: { address: string } };
    expect(kitchen.address.length).toBeGreaterThan(3);
    expect(said).not.toContain(kitchen.address);
  });
});

describe('the door of a server that is to be reached from elsewhere', () => {
  let folder: string;
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'usual-pantry-door-'));
  });
  afterEach(() => rm(folder, { recursive: true, force: true }));
  const setup = () => ({ dataDir: folder, pagesDir: 'web/dist', allowedHosts: [], today: TODAY, isLocked: true });

  it('does not stand open: without a passphrase it is not started', async () => {
    await expect(createApp(setup(), true)).rejects.toThrow('no passphrase is set');
  });

  it('stays shut when it cannot be read', async () => {
    await writeFile(join(folder, 'door.json'), '{"passphrase":');
    await expect(createApp(setup(), true)).rejects.toThrow(CannotStart);
  });

  it('speaks TLS with a certificate of its own, which stays the same, and asks browsers to keep to it', async () => {
    new DoorFile(folder).store({ passphrase: await hashPassphrase(PASSPHRASE, { n: 16, r: 1, p: 1 }) });
    const app = await createApp({ ...setup(), host: '0.0.0.0', tls: 'own' }, true);
    await app.listen(0, '127.0.0.1');
    const { port } = app.getHttpServer().address() as { port: number };
    const { cert } = await ownCertificate(folder, []);
    const answer = await new Promise<{ status: number | undefined; hsts: string | undefined }>((resolve, reject) => {
      connect({ port, host: '127.0.0.1', path: '/api/plan', ca: cert, servername: 'localhost' }, (response) => {
        response.resume();
        resolve({ status: response.statusCode, hsts: response.headers['strict-transport-security'] });
      })
        .on('error', reject)
        .end();
    });
    await app.close();
    expect(answer).toEqual({ status: 401, hsts: expect.stringContaining('max-age=') });
    expect((await ownCertificate(folder, [])).cert).toBe(cert);
    expect((await ownCertificate(folder, ['kitchen.example'])).cert).not.toBe(cert);
  });
});

describe('a passphrase', () => {
  it.each([
    ['four words and a biscuit', true],
    ['Zwölf süße Plätzchen bitte', true],
    ['short', false],
    ['x'.repeat(400), false],
  ])('%j can be one: %s', (text, is) => {
    expect(passphraseSchema.safeParse(text).success).toBe(is);
  });

  it.each([
    ['passwordpassword', true],
    ['qwertyuiopasdfgh', true],
    ['aaaaaaaaaaaaaaaaaaaaaaaa', true],
    ['123456789012345', true],
    ['Correct horse battery staple', true],
    ['mary had a little lamb', true],
    ['T0 be or n0t to be, that is the question!', true],
    ['Once upon a time 12', true],
    ['Once upon a time nine violet kettles sang', false],
    ['four words and a biscuit', false],
    ['Zwölf süße Plätzchen bitte', false],
  ])('%j is easily guessed: %s', async (text, is) => {
    expect(await isGuessable(text)).toBe(is);
  });

  it('is known again however it is composed, and no other is', async () => {
    const kept = await hashPassphrase('Zwölf süße Plätzchen', { n: 16, r: 1, p: 1 });
    expect(await isPassphrase('Zwo\u0308lf su\u0308ße Pla\u0308tzchen', kept)).toBe(true);
    expect(await isPassphrase('Zwolf suße Platzchen', kept)).toBe(false);
    // Two of the same do not look alike
    expect((await hashPassphrase('Zwölf süße Plätzchen', { n: 16, r: 1, p: 1 })).hash).not.toBe(kept.hash);
  });

  it('is made slow to guess, and is right at its full cost too', async () => {
    const kept = await hashPassphrase(PASSPHRASE);
    expect(kept).toMatchObject({ n: 131_072, r: 8, p: 1 });
    expect(await isPassphrase(PASSPHRASE, kept)).toBe(true);
  });
});
