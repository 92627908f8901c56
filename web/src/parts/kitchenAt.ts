/** Below this the pages of the example kitchen lie; those of one's own lie at the root. */
export const EXAMPLE_PAGES = '/example';

/** There is no address outside of a browser. */
const pathname = typeof location === 'undefined' ? '/' : location.pathname;

/** Whether these are the pages of the example kitchen. */
export const isExample = pathname === EXAMPLE_PAGES || pathname.startsWith(`${EXAMPLE_PAGES}/`);

/** What the addresses of this kitchen's pages begin with. */
export const PAGES_AT = isExample ? EXAMPLE_PAGES : '';

/** An address of this kitchen's API. @example apiAt('/book') // '/api/book' */
export const apiAt = (path: string): string => `${isExample ? '/api/example/kitchen' : '/api'}${path}`;

/** Under which name this kitchen keeps something in the browser: two kitchens never share it. */
export const keptAs = (name: string): string => `${isExample ? 'example ' : ''}${name}`;
