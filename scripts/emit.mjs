// Writes core and server as JavaScript, file by file; that their types are right is checked apart (npm run types).
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { transformSync } from '@swc/core';
import { root } from './lib/run.mjs';

const rooms = [
  { name: 'core', decorators: false, skipped: /\.test\.ts$/ },
  { name: 'server', decorators: true, skipped: /\.test\.ts$|^testing\// },
];

for (const { name, decorators, skipped } of rooms) {
  const source = join(root, name, 'src');
  const dist = join(root, name, 'dist');
  // The compiler's notes of what it has written itself are not true any more.
  rmSync(join(dist, '.tsbuildinfo'), { force: true });
  for (const file of readdirSync(source, { recursive: true })) {
    if (!file.endsWith('.ts') || skipped.test(file)) continue;
    const { code } = transformSync(readFileSync(join(source, file), 'utf8'), {
      filename: join(source, file),
      swcrc: false,
      configFile: false,
      jsc: {
        parser: { syntax: 'typescript', decorators },
        transform: {
          verbatimModuleSyntax: true,
          ...(decorators && { legacyDecorator: true, decoratorMetadata: true }),
        },
        target: 'es2022',
        keepClassNames: true,
      },
      module: { type: 'es6' },
    });
    const written = join(dist, file.replace(/\.ts$/, '.js'));
    mkdirSync(dirname(written), { recursive: true });
    writeFileSync(written, code);
  }
}
