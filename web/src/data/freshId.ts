/** An id that nobody has thought of before; also where the page is not served over TLS. */
export const freshId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
