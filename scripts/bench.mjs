// npm run bench [-- core growth block keep edit label cook kitchen promise solve beside page]: figures of the core, of the store and of the running application, printed.
import { build, checkNode, installAll, must } from './lib/run.mjs';

checkNode();
installAll();
build();
must('npx', ['tsc', '-p', 'bench']);
const chosen = process.argv.slice(2);
for (const name of [
  'core',
  'growth',
  'block',
  'keep',
  'edit',
  'label',
  'cook',
  'kitchen',
  'promise',
  'solve',
  'beside',
  'page',
])
  if (chosen.length === 0 || chosen.includes(name)) must(process.execPath, [`.cache/bench/${name}.js`]);
