// npm run build: install and build what has changed.
import { build, checkNode, install } from './lib/run.mjs';

checkNode();
install();
build();
