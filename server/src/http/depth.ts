const OPEN_LIST = 0x5b;
const CLOSE_LIST = 0x5d;
const OPEN_OBJECT = 0x7b;
const CLOSE_OBJECT = 0x7d;
const QUOTE = 0x22;
const BACKSLASH = 0x5c;

/** How deeply lists and objects are nested in a JSON text, without reading it: brackets in texts do not count. */
export function depthOf(json: Uint8Array): number {
  let deepest = 0;
  let depth = 0;
  let isText = false;
  for (let at = 0; at < json.length; at++) {
    const byte = json[at];
    if (isText) {
      if (byte === BACKSLASH) at += 1;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (byte === OPEN_LIST || byte === OPEN_OBJECT) {
      depth += 1;
      if (depth > deepest) deepest = depth;
    } else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) depth -= 1;
  }
  return deepest;
}
