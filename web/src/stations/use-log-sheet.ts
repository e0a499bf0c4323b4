import { useEffect, useRef } from 'react';
import { NavigationType, useLocation, useNavigate, useNavigationType, useSearchParams } from 'react-router';

/** The log is a sheet over a station, and part of its address: the browser's Back closes it, a link opens both at once. */
export function useLogSheet(): { isOpen: boolean; open: () => void; close: () => void } {
  const { pathname } = useLocation();
  const [params, setParams] = useSearchParams();
  const navigate = useNavigate();
  const how = useNavigationType();
  const isOpen = params.has('log');
  /** The station over which it was opened; null where somebody came to both at once. */
  const under = useRef<string | null>(null);
  useEffect(() => {
    if (!isOpen) under.current = pathname;
  }, [isOpen, pathname]);
  return {
    isOpen,
    open: () => setParams({ log: '' }),
    close: () => {
      // One step back where opening it was one: else Back would lead to where one is already.
      if (how === NavigationType.Push && under.current === pathname) void navigate(-1);
      else setParams({}, { replace: true });
    },
  };
}
