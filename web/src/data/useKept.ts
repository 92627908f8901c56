import { useEffect, useState } from 'react';
import { openShelf } from './shelf';

/** Answers that are kept already. */
const kept = new WeakSet<object>();

/**
 * An answer of the server, or as it last was while the server is away.
 * @param fresh what the server has answered; undefined while it has not
 * @param isAway whether it could not be asked
 */
export function useKept<Answer extends object>(
  name: string,
  fresh: Answer | undefined,
  isAway: boolean,
): Answer | undefined {
  const [earlier, setEarlier] = useState<Answer>();
  useEffect(() => {
    if (!fresh || kept.has(fresh)) return;
    kept.add(fresh);
    // Where a browser keeps nothing, the server must be there.
    openShelf()
      .then((shelf) => shelf.put('answers', fresh, name))
      .catch(() => undefined);
  }, [fresh, name]);
  useEffect(() => {
    if (fresh || !isAway) return;
    openShelf()
      .then((shelf) => shelf.get('answers', name))
      .then(
        (answer) => {
          setEarlier(answer as Answer | undefined);
        },
        () => undefined,
      );
  }, [fresh, isAway, name]);
  // What is asked for again is not gone meanwhile.
  return fresh ?? earlier;
}
