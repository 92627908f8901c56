import { useEffect } from 'react';
import { useLocation } from 'react-router';

/** What the browser calls the page, by what is open in it. */
export function Title({ of }: { of: string }) {
  const { pathname } = useLocation();
  useEffect(() => {
    document.title = `${of} · Usual Pantry`;
  }, [of, pathname]);
  return null;
}
