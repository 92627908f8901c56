import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';

/** `n` starts a new record, `j` and `k` open the next and the previous one of a list. */
export function useListKeys(base: string, ids: readonly string[], openId: string | undefined): void {
  const navigate = useNavigate();
  const at = openId === undefined ? -1 : ids.indexOf(openId);
  useHotkeys('n', () => void navigate(`${base}/new`), { preventDefault: true });
  useHotkeys(['j', 'k'], (_event, { keys }) => {
    const step = keys?.includes('j') ? 1 : -1;
    const next = ids[Math.min(Math.max(at + step, 0), ids.length - 1)];
    if (next !== undefined) void navigate(`${base}/${next}`);
  });
}
