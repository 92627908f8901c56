// Puts the built server, and each of its threads, into one file with what it needs: it then starts in half the time.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { rolldown } from 'rolldown';
import { root } from './lib/run.mjs';

const server = join(root, 'server');
/** What starts, by the name under which the package offers it, and the file that the compiler wrote for it. */
const input = {
  main: 'main',
  'copy-worker': 'storage/copy-worker',
  'label-worker': 'label/label-worker',
  'line-reader': 'recipe/line-reader',
  'order-file-reader': 'order/order-file-reader',
  'plan-worker': 'plan/plan-worker',
  'promise-worker': 'promise/worker',
  'season-reader': 'season-file/season-reader',
  'solver-worker': 'solver/worker',
};

const { exports } = JSON.parse(readFileSync(join(server, 'package.json'), 'utf8'));
for (const name of Object.keys(exports))
  if (!(name.slice(2) in input)) throw new Error(`scripts/bundle.mjs does not know ${name} of server/package.json.`);

/** What a module looks for its own files by: in one file with others there is none of it, and it fails when it is asked. Such a package stays outside. */
const OWN_PLACE = /\b__(?:dirname|filename)\b/;

const bundle = await rolldown({
  cwd: server,
  platform: 'node',
  input: Object.fromEntries(Object.entries(input).map(([name, file]) => [name, join(server, 'dist', `${file}.js`)])),
  external: [
    // They bring binaries, or read files of their own.
    /^libsql/,
    /^pdfkit/,
    /^highs/,
    /^@touch4it\/ical-timezones/,
    // What Nest and TypeORM look for, and do without.
    /^@nestjs\/(microservices|websockets|platform-socket\.io)/,
    /^class-(transformer|validator)/,
    /^@fastify/,
    /^(@google-cloud|@sap|better-sqlite3|hdb-pool|ioredis|mongodb|mssql|mysql|oracledb|pg|react-native|redis|sql\.js|typeorm-aurora)/,
  ],
  // A name that is not found is found missing when it is asked for, as without the bundle.
  onLog: (level, log, handle) => {
    if (log.code === 'UNRESOLVED_IMPORT') throw new Error(log.message);
    // What a decorator notes of a parameter's type asks whether `z.infer` is there, which is a type alone.
    const isType = log.code === 'IMPORT_IS_UNDEFINED' && log.message.includes('`infer`');
    if (level === 'warn' && log.code !== 'EVAL' && !isType) handle(level, log);
  },
});
const { output } = await bundle.write({
  dir: join(server, 'dist/program'),
  format: 'esm',
  cleanDir: true,
  entryFileNames: '[name].js',
  chunkFileNames: 'parts/[name]-[hash].js',
  // Nest and TypeORM go by the names of classes.
  keepNames: true,
});
for (const { fileName, type, code } of output)
  if (type === 'chunk' && OWN_PLACE.test(code))
    throw new Error(`${fileName} looks for files beside itself: name the package as external in scripts/bundle.mjs.`);
