/** FNV-1a, 64 bits as hexadecimal, after a prefix: the same key gives the same id at every time. */
export function idOfKey(prefix: string, key: string): string {
  let hash = 0xcbf29ce484222325n;
  for (const unit of new TextEncoder().encode(key))
    hash = ((hash ^ BigInt(unit)) * 0x100000001b3n) & 0xffffffffffffffffn;
  return `${prefix}-${hash.toString(16).padStart(16, '0')}`;
}
