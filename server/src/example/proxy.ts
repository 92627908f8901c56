import type { IncomingMessage } from 'node:http';
import type { NextFunction, Request, Response } from 'express';
import { createProxyMiddleware } from 'http-proxy-middleware';
import { Refused, refuse } from '../refusal/refused.js';
import type { ExampleKitchen } from './example-kitchen.js';

/** Hands what is asked of the example kitchen on to it, and its answers back as they come. */
export function toExample(example: ExampleKitchen) {
  const proxy = createProxyMiddleware<IncomingMessage & { exampleUrl?: string }>({
    router: ({ exampleUrl }) => exampleUrl,
    pathRewrite: (path) => `/api${path}`,
    changeOrigin: true,
    on: {
      proxyReq: (asked) => {
        // Its guard takes changes from its own pages only; that these are ours was seen to before.
        asked.removeHeader('origin');
      },
      error: (_error, _request, response) => {
        if ('headersSent' in response && !response.headersSent)
          refuse(
            response as Response,
            new Refused('example-failed', 'The example kitchen does not answer. Load it again.'),
          );
        else response.destroy();
      },
    },
  });
  return (request: Request, response: Response, next: NextFunction): void => {
    example.url().then(
      (url) => {
        if (url === null) {
          refuse(
            response,
            new Refused('not-found', 'The example kitchen is not loaded. Load it in the settings of your own.'),
          );
          return;
        }
        Object.assign(request, { exampleUrl: url });
        void proxy(request, response, next);
      },
      (error: unknown) => {
        refuse(response, error instanceof Refused ? error : new Refused('example-failed', String(error)));
      },
    );
  };
}
