import { describe, expect, it } from '@jest/globals';
import { sayUntold } from './untold';

describe('an error that nobody has said', () => {
  const heard: string[] = [];
  const dispatch = ((action: { payload: { text: string } }) => heard.push(action.payload.text)) as never;
  sayUntold(window, { dispatch });
  const reject = (reason: unknown) => window.dispatchEvent(Object.assign(new Event('unhandledrejection'), { reason }));

  it('is said in words, whether it was thrown or promised', () => {
    reject(new Error('no such part'));
    window.dispatchEvent(Object.assign(new Event('error'), { error: new TypeError('not a number') }));
    reject({ message: 'The server does not answer.' });
    expect(heard).toEqual([
      expect.stringContaining('no such part'),
      expect.stringContaining('not a number'),
      expect.stringContaining('The server does not answer.'),
    ]);
  });

  it('is kept quiet where a page was only left', () => {
    const before = heard.length;
    reject(new DOMException('left', 'AbortError'));
    expect(heard).toHaveLength(before);
  });
});
