// npm run bench: figures of the core and of the running application, printed.
import { build, checkNode, install, must } from './lib/run.mjs';

checkNode();
install();
build();
must('npx', ['tsc', '-p', 'bench']);
for (const name of ['core', 'solve', 'page']) must(process.execPath, [`.cache/bench/${name}.js`]);
