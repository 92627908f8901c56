import SwaggerParser from '@apidevtools/swagger-parser';
import { request } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Finding } from '@usual-pantry/core/finding';
import type { Order } from '@usual-pantry/core/order';
import type { Plan } from '@usual-pantry/core/plan';
import { openServer, planOf, type TestServer } from './testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const draft = {
  customer: { name: 'Hesper Lindqvist-Moor', contact: '' },
  lines: [{ boxId: 'sampler', count: 1 }],
  handOver: { on: '2026-12-14', way: 'courier', place: '' },
  exclusions: [],
  agreed: [],
  state: 'confirmed',
  depositMinor: 0,
  notes: '',
};
const add = async (more: object = {}): Promise<Order> =>
  (
    await server.http
      .post('/api/orders')
      .send({ ...draft, ...more })
      .expect(201)
  ).body as Order;
const plan = (): Promise<Plan> => planOf(server);

const listening = async (): Promise<{ port: number }> => {
  const http = server.app.getHttpServer();
  if (!http.listening) await server.app.listen(0, '127.0.0.1');
  return http.address() as { port: number };
};

/** Sends something as it is written, and reads what is answered. */
const raw = (
  port: number,
  options: { readonly method: string; readonly path: string; readonly headers?: Readonly<Record<string, string>> },
  content = '',
): Promise<{ status: number; body: string }> =>
  new Promise((resolve, reject) => {
    const sent = request({ host: '127.0.0.1', port, ...options }, (response) => {
      let body = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (body += chunk));
      response.on('end', () => {
        resolve({ status: response.statusCode ?? 0, body });
      });
    });
    sent.on('error', reject);
    sent.end(content);
  });

describe('orders', () => {
  it('are added, read, changed and deleted', async () => {
    const added = await add();
    expect((await server.http.get(`/api/orders/${added.id}`)).body).toEqual(added);
    const changed = (
      await server.http
        .put(`/api/orders/${added.id}`)
        .send({ ...draft, state: 'packed', version: added.version })
        .expect(200)
    ).body as Order;
    expect(changed).toMatchObject({ state: 'packed', version: added.version + 1 });
    await server.http.delete(`/api/orders/${added.id}?version=${changed.version}`).expect(204);
    await server.http.get(`/api/orders/${added.id}`).expect(404);
  });

  it('change the plan, the shopping list and the labels at once', async () => {
    const before = await plan();
    const added = await add({ lines: [{ boxId: 'table-box', count: 30 }] });
    const after = await plan();
    expect(after.boxes - before.boxes).toBe(30);
    expect(after.pieces - before.pieces).toBe(30 * 24);
    expect(after.batches).toBeGreaterThan(before.batches);
    expect(after.shoppingCostMinor).toBeGreaterThan(before.shoppingCostMinor);
    const labels = (all: Plan) =>
      all.labels.find((run) => run.boxId === 'table-box' && run.handOver === '2026-12-14')?.count ?? 0;
    expect(labels(after) - labels(before)).toBe(30);
    await server.http
      .put(`/api/orders/${added.id}`)
      .send({ ...draft, lines: added.lines, state: 'cancelled', version: added.version })
      .expect(200);
    expect(await plan()).toEqual(before);
  });

  it('with a broken exclusion are stored and make a finding with ways out', async () => {
    const added = await add({ exclusions: ['gluten'] });
    const { body } = await server.http.get(`/api/plan/findings?about=order&ids=${added.id}`).expect(200);
    const [found] = (body as { items: Finding[] }).items;
    expect(found).toMatchObject({ code: 'exclusion-broken', severity: 'decide' });
    expect(found?.waysOut.length).toBeGreaterThan(1);
  });

  it('that are stale get the current record and change nothing', async () => {
    const added = await add();
    await server.http
      .put(`/api/orders/${added.id}`)
      .send({ ...draft, notes: 'first', version: added.version })
      .expect(200);
    const refused = await server.http
      .put(`/api/orders/${added.id}`)
      .send({ ...draft, notes: 'second', version: added.version })
      .expect(409);
    expect(refused.body).toMatchObject({ code: 'stale', current: { notes: 'first', version: added.version + 1 } });
    expect((await server.http.get(`/api/orders/${added.id}`)).body).toMatchObject({ notes: 'first' });
    await server.http.delete(`/api/orders/${added.id}?version=${added.version}`).expect(409);
  });

  it.each([
    ['a hand-over in the past', { handOver: { ...draft.handOver, on: '2026-11-24' } }, 'handOver.on', /has passed/],
    ['a box that is not there', { lines: [{ boxId: 'lost', count: 1 }] }, 'lines[0].boxId', /there is no box/],
    ['minus one box', { lines: [{ boxId: 'sampler', count: -1 }] }, 'lines[0].count', /one or more/],
    ['no name', { customer: { name: ' ', contact: '' } }, 'customer.name', /empty/],
    ['a word for a number', { depositMinor: 'ten' }, 'depositMinor', /whole cents|number/i],
    ['an unknown field', { colour: 'red' }, '(file)', /colour/],
  ])('with %s are refused, the path is named, nothing is stored', async (_name, wrong, path, message) => {
    const before = (await server.http.get('/api/orders?size=1')).body as { total: number };
    const { body } = await server.http
      .post('/api/orders')
      .send({ ...draft, ...wrong })
      .expect(422);
    expect(body).toMatchObject({
      code: 'wrong-values',
      wrong: [{ path, message: expect.stringMatching(message) }],
    });
    expect(((await server.http.get('/api/orders?size=1')).body as { total: number }).total).toBe(before.total);
  });

  it('with a customer called like a formula keep the name as it was typed', async () => {
    const added = await add({ customer: { name: '=HYPERLINK("x")', contact: '' } });
    expect(added.customer.name).toBe('=HYPERLINK("x")');
  });

  it('are paged, sorted and searched by the server', async () => {
    const page = (await server.http.get('/api/orders?size=5&page=2&sort=handOverOn&direction=asc&show=open')).body as {
      items: Order[];
      total: number;
    };
    expect(page.items).toHaveLength(5);
    const days = page.items.map((each) => each.handOver.on);
    expect([...days].sort()).toEqual(days);
    const found = (await server.http.get('/api/orders?search=varga')).body as { items: Order[] };
    expect(found.items.map((each) => each.customer.name)).toEqual(['Ottoline Varga']);
    const closed = (await server.http.get('/api/orders?show=closed')).body as { items: Order[] };
    expect(closed.items.every((each) => ['handed over', 'cancelled'].includes(each.state))).toBe(true);
    expect((await server.http.get('/api/orders?search=%25')).body).toMatchObject({ total: 0 });
    await server.http.get('/api/orders?size=9999').expect(400);
  });
});

describe('what is in use', () => {
  it.each([
    ['/api/ingredients/unsalted-butter', 'recipe'],
    ['/api/recipes/dark-coating', 'piece'],
    ['/api/pieces/praline', 'box'],
    ['/api/boxes/sampler', 'order'],
  ])('%s is not deleted, and its users are named', async (address, noun) => {
    const { body } = await server.http.delete(`${address}?version=1`).expect(409);
    const { code, users } = body as { code: string; users: { noun: string; name: string }[] };
    expect(code).toBe('in-use');
    expect(users.some((user) => user.noun === noun && user.name.length > 0)).toBe(true);
    await server.http.get(address).expect(200);
  });
});

describe('recipes', () => {
  it('cannot be made of themselves, and the cycle is named', async () => {
    const { id, ...coating } = (await server.http.get('/api/recipes/dark-coating')).body as {
      id: string;
      lines: object[];
    };
    const lines = [...coating.lines, { uses: { kind: 'recipe', id: 'ginger-bark' }, amount: 10, unit: 'g' }];
    const { body } = await server.http
      .put(`/api/recipes/${id}`)
      .send({ ...coating, lines })
      .expect(422);
    expect(body).toMatchObject({
      wrong: [
        {
          path: 'lines[1].uses.id',
          message: 'a recipe cannot be made of itself: Dark coating > Ginger and cocoa-nib bark > Dark coating',
        },
      ],
    });
  });

  it('give their figures without a screen', async () => {
    const { body } = await server.http.get('/api/recipes/praline-paste/figures').expect(200);
    expect(body).toMatchObject({ rawGrams: 800, yieldGrams: 768, contains: ['hazelnut'], mayContain: ['almond'] });
    expect((body as { ingredientsPerGram: Record<string, number> }).ingredientsPerGram['hazelnuts']).toBeCloseTo(
      500 / 768,
      9,
    );
  });
});

describe('figures of boxes', () => {
  it('say weight, allergens, life and cost', async () => {
    const { body } = await server.http.get('/api/boxes/toffee-bag/figures').expect(200);
    expect(body).toMatchObject({ pieceCount: 12, contains: ['milk', 'sesame'], keeps: { days: 35 } });
    expect((body as { weightGrams: number }).weightGrams).toBeCloseTo(168, 9);
    const costs = (await server.http.get('/api/money/boxes')).body as {
      boxId: string;
      costMinor: number;
      ingredientsMinor: number;
      packagingMinor: number;
      handsMinor: number;
    }[];
    const bag = costs.find((each) => each.boxId === 'toffee-bag');
    expect(bag?.costMinor).toBe((bag?.ingredientsMinor ?? 0) + (bag?.packagingMinor ?? 0) + (bag?.handsMinor ?? 0));
    await server.http.get('/api/boxes/lost/figures').expect(404);
  });
});

describe('the kitchen', () => {
  it('is changed with its version, and its words come onto the label', async () => {
    const kitchen = (await server.http.get('/api/kitchen')).body as Record<string, unknown>;
    await server.http
      .put('/api/kitchen')
      .send({ ...kitchen, makerName: 'Another name' })
      .expect(200);
    const { body } = await server.http.get('/api/boxes/sampler/label');
    expect(JSON.stringify(body)).toContain('Another name');
    await server.http.put('/api/kitchen').send(kitchen).expect(409);
    await server.http
      .put('/api/kitchen')
      .send({ ...kitchen, version: 2, benchWeek: [{ weekday: 8, hours: 3, begins: null }] })
      .expect(422);
  });
});

describe('the door', () => {
  it('answers only to this computer’s names and takes changes only from its own pages', async () => {
    await server.http.get('/api/plan').set('Host', 'elsewhere.example').expect(403);
    await server.http.post('/api/orders').set('Origin', 'http://elsewhere.example').send(draft).expect(403);
    await server.http.post('/api/orders').set('Origin', 'null').send(draft).expect(403);
  });

  it('sends a strict policy with a new nonce each time, and no name of its maker', async () => {
    const [first, second] = [await server.http.get('/'), await server.http.get('/orders')];
    const policy = first.headers['content-security-policy'] ?? '';
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toContain('unsafe');
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1] ?? '';
    expect(first.text).toContain(nonce);
    expect(second.text).not.toContain(nonce);
    expect(first.headers['x-powered-by']).toBeUndefined();
  });

  it.each([
    '/api/orders/%E0%A4%A',
    '/api/backups/%ZZ/file',
    '/assets/..%2f..%2fpackage.json',
    '/assets/%2e%2e%2fx',
    '/assets/a%00b',
    '/assets/%E0%A4%A',
  ])('says what is wrong with an address that cannot be read or leads nowhere: %s', async (address) => {
    const { port } = await listening();
    // As it is written: a client would mend it first.
    const { status, body } = await raw(port, { method: 'GET', path: address });
    expect(status >= 400 && status < 500).toBe(true);
    expect(JSON.parse(body)).toMatchObject({ detail: expect.any(String) });
  });

  it.each(['gzip', 'deflate', 'br'])('says that a body cannot be unpacked: %s', async (encoding) => {
    const { port } = await listening();
    const headers = { 'content-type': 'application/json', 'content-encoding': encoding };
    const { status, body } = await raw(port, { method: 'POST', path: '/api/orders', headers }, 'not packed at all');
    expect([status, (JSON.parse(body) as { code: string }).code]).toEqual([400, 'not-json']);
  });

  it('gives no page for an asset or an address of the API that is not there', async () => {
    await server.http.get('/assets/none.js').expect(404);
    const { body } = await server.http.get('/api/none').expect(404);
    expect(body).toMatchObject({ code: 'no-such-address' });
  });

  it('takes neither malformed nor oversized bodies, and says so in words', async () => {
    const post = (address: string, body: string) =>
      server.http.post(address).set('Content-Type', 'application/json').send(body);
    for (const address of ['/api/orders', '/api/season-file']) {
      const broken = await post(address, '{"customer":').expect(400);
      expect(broken.body).toMatchObject({ code: 'not-json' });
    }
    const large = await post('/api/orders', JSON.stringify({ ...draft, notes: 'x'.repeat(1_200_000) })).expect(413);
    expect(large.body).toMatchObject({ code: 'too-large', detail: expect.stringContaining('1 MB') });
    const before = await plan();
    const file = await post('/api/season-file', JSON.stringify('x'.repeat(50 * 1024 * 1024))).expect(413);
    expect(file.body).toMatchObject({ code: 'too-large', detail: expect.stringContaining('20 MB') });
    expect(await plan()).toEqual(before);
  });
});

interface Operation {
  readonly requestBody?: { readonly content: Readonly<Record<string, { readonly schema: object }>> };
  readonly responses: Readonly<
    Record<string, { readonly content?: Readonly<Record<string, { readonly schema: object }>> }>
  >;
}

it('describes itself by OpenAPI so that an independent validator takes it', async () => {
  const { body } = await server.http.get('/api/openapi.json').expect(200);
  const { openapi } = (await SwaggerParser.validate(structuredClone(body) as never)) as { openapi: string };
  expect(openapi).toBe('3.1.0');
});

it('describes every address by OpenAPI: what it takes and answers has a name, and so has what it refuses', async () => {
  const { body } = await server.http.get('/api/openapi.json').expect(200);
  const { paths, components } = body as {
    paths: Record<string, Record<string, Operation>>;
    components: { schemas: Record<string, object> };
  };
  for (const noun of ['ingredients', 'recipes', 'pieces', 'boxes', 'orders']) {
    expect(Object.keys(paths[`/api/${noun}`] ?? {})).toEqual(expect.arrayContaining(['get', 'post']));
    expect(Object.keys(paths[`/api/${noun}/{id}`] ?? {})).toEqual(expect.arrayContaining(['get', 'put', 'delete']));
  }
  for (const [path, methods] of Object.entries(paths))
    for (const [method, { requestBody, responses }] of Object.entries(methods)) {
      const where = `${method} ${path}`;
      const done = Object.entries(responses).filter(([status]) => status.startsWith('2'));
      expect([where, done.length]).toEqual([where, 1]);
      expect([where, responses['default']?.content?.['application/problem+json']?.schema]).toEqual([where, { $ref: '#/components/schemas/Problem' }]); // prettier-ignore
      const isFile = path === '/api/diagnostics';
      const shapes = isFile ? [] : [requestBody?.content, done[0]?.[1].content].flatMap((content) => content?.['application/json'] ?? []); // prettier-ignore
      for (const { schema } of shapes) expect([where, Object.keys(schema)]).toEqual([where, ['$ref']]);
    }
  const known = new Set(Object.keys(components.schemas).map((name) => `#/components/schemas/${name}`));
  const named = [...JSON.stringify(body).matchAll(/"\$ref":"([^"]+)"/g)].map(([, name]) => name);
  expect(named.filter((name) => !known.has(name ?? ''))).toEqual([]);
  await server.http.get('/api/docs').expect(200);
});
