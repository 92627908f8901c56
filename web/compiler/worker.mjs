// Compiles the components of one file after another; see plugin.mjs.
import { parentPort } from 'node:worker_threads';
import { transformAsync } from '@babel/core';

parentPort.on('message', async ({ number, code, filename }) => {
  try {
    const result = await transformAsync(code, {
      filename,
      babelrc: false,
      configFile: false,
      sourceMaps: false,
      parserOpts: { plugins: filename.endsWith('x') ? ['typescript', 'jsx'] : ['typescript'] },
      plugins: ['babel-plugin-react-compiler'],
    });
    parentPort.postMessage({ number, code: result.code });
  } catch (error) {
    parentPort.postMessage({ number, error: error.message });
  }
});
