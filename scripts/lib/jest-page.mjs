// A page for tests of components: jsdom, with what every browser has besides and Node has too.
import { TestEnvironment } from 'jest-environment-jsdom';

export default class Page extends TestEnvironment {
  async setup() {
    await super.setup();
    const {
      fetch,
      Request,
      Response,
      Headers,
      AbortController,
      AbortSignal,
      structuredClone,
      TextEncoder,
      TextDecoder,
    } = globalThis;
    Object.assign(this.global, {
      ...{ fetch, Request, Response, Headers, AbortController, AbortSignal },
      ...{ structuredClone, TextEncoder, TextDecoder, MessageChannel },
    });
  }
}
