import { Agent, request } from 'node:http';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { bodyOf, writtenOut, type Schema } from './testing/from-schema.js';
import { openServer, type TestServer } from './testing/server.js';

/** `npm run soak` sends a million. */
const BODIES = Number(process.env['FUZZ_BODIES'] ?? 2_000);
const SEED = Number(process.env['FUZZ_SEED'] ?? Math.floor(Math.random() * 2 ** 31));
/** Sent at once: what one leaves behind must not trouble another. */
const AT_ONCE = 8;

/** Long work that is tried in tests of its own. */
const left = new Set([
  'POST /api/backups',
  'POST /api/backups/check',
  'POST /api/plan/job',
  'POST /api/plan/what-if',
  'POST /api/boxes/compose',
  'POST /api/plan/promise',
]);

let server: TestServer;
let port: number;
beforeAll(async () => {
  server = await openServer({ demo: true });
  await server.app.listen(0, '127.0.0.1');
  ({ port } = server.app.getHttpServer().address() as { port: number });
});
afterAll(() => server.close());

interface Target {
  readonly method: string;
  readonly path: string;
  readonly schema: Schema;
}

interface Document {
  readonly components: { readonly schemas: Readonly<Record<string, Schema>> };
  readonly paths: Readonly<
    Record<
      string,
      Readonly<
        Record<string, { readonly requestBody?: { readonly content: Readonly<Record<string, { schema: Schema }>> } }>
      >
    >
  >;
}

/** Every address that takes something, with the shape of what it takes. */
async function targets(): Promise<Target[]> {
  const { paths, components } = (await server.http.get('/api/openapi.json').expect(200)).body as Document;
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.entries(methods).flatMap(([method, { requestBody }]) => {
      if (method === 'get') return [];
      const shape = Object.values(requestBody?.content ?? {})[0]?.schema ?? {};
      // A whole season would replace what all other bodies refer to.
      const schema = path.startsWith('/api/season-file') ? { type: 'object' } : writtenOut(shape, components.schemas);
      const target = { method: method.toUpperCase(), path, schema };
      return left.has(`${target.method} ${path}`) ? [] : [target];
    }),
  );
}

const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
const send = (method: string, path: string, body: unknown): Promise<{ status: number; text: string }> =>
  new Promise((resolve, reject) => {
    const content = Buffer.from(JSON.stringify(body));
    const headers = { 'content-type': 'application/json', 'content-length': content.length };
    const sent = request({ agent, port, method, path, headers }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (chunk: string) => (text += chunk));
      response.on('end', () => {
        resolve({ status: response.statusCode ?? 0, text });
      });
    });
    sent.on('error', reject);
    sent.end(content);
  });

describe(`${String(BODIES)} bodies of any kind to every address that takes one, seed ${String(SEED)}`, () => {
  it('are each taken or refused in words: none is an error of the server', async () => {
    const file = (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
    const known = [file.ingredients, file.recipes, file.pieces, file.boxes, file.orders].flatMap((records) =>
      records.slice(0, 3).map(({ id }) => id),
    );
    // Without its key the inbox takes nothing, and says so.
    await server.http.post('/api/inbox/key').expect(201);
    const all = await targets();
    expect(all.length).toBeGreaterThan(25);
    const each = Math.ceil(BODIES / all.length);
    const delay = monitorEventLoopDelay({ resolution: 5 });
    delay.enable();
    let taken = 0;
    for (const { method, path, schema } of all) {
      const bodies = fc.sample(bodyOf(schema, known), { numRuns: each, seed: SEED });
      for (let at = 0; at < bodies.length; at += AT_ONCE)
        await Promise.all(
          bodies.slice(at, at + AT_ONCE).map(async (body, more) => {
            const id = known[(at + more) % known.length] ?? '';
            const address = path.replace(/\{[^}]+\}/g, id) + (method === 'DELETE' ? '?version=1' : '');
            const { status, text } = await send(method, address, body);
            // What is refused says why
            const isWell = status < 500 && (status < 400 || text.includes('"detail"'));
            if (!isWell) throw new Error(`${method} ${address} ${String(status)}: ${JSON.stringify(body)} -> ${text}`);
            if (status < 300) taken += 1;
          }),
        );
    }
    delay.disable();
    process.stdout.write(
      `${String(each * all.length)} bodies, ${String(taken)} taken; the loop was held up for ${(delay.max / 1e6).toFixed(0)} ms at most\n`,
    );
    expect(taken).toBeGreaterThan(BODIES / 60);
  });

  it('leave a kitchen that goes out as a file, into an empty one, and out again the same', async () => {
    const { body: file } = await server.http.get('/api/season-file').expect(200);
    await server.http.get('/api/plan').expect(200);
    const other = await openServer();
    const answer = await other.http.post('/api/season-file').send(file as object);
    expect([answer.status, (answer.body as { wrong?: unknown }).wrong]).toEqual([200, undefined]);
    expect((await other.http.get('/api/season-file').expect(200)).body).toEqual(file);
    await other.close();
    const { body } = await server.http.post('/api/backups/check').expect(200);
    expect(body).toMatchObject({ troubles: [] });
  });
});
