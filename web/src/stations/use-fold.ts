import { useEffect, type RefObject } from 'react';

/** From so far down on, px, and only where so much is left to scroll that the page does not jump at its end. */
const [FROM, ROOM] = [40, 240];
/** Less than this is a finger that trembles. */
const STEP = 6;

/**
 * On low screens the frame gives way while somebody scrolls down: the bar and the rail fold, the road stays. Scrolling up, the
 * Tab key and another station bring them back. Styles look at `data-folded` on the root, and only where the screen is low.
 */
export function useFold(main: RefObject<HTMLElement | null>, station: string): void {
  useEffect(() => {
    const element = main.current;
    if (!element) return;
    const root = document.documentElement;
    const unfold = () => delete root.dataset['folded'];
    let last = element.scrollTop;
    const onScroll = () => {
      const top = element.scrollTop;
      const isRoomLeft = element.scrollHeight - element.clientHeight - top > ROOM;
      if (top < STEP || top < last - STEP) unfold();
      else if (top > FROM && top > last && isRoomLeft) root.dataset['folded'] = '';
      last = top;
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Tab') unfold();
    };
    element.addEventListener('scroll', onScroll, { passive: true });
    window.addEventListener('keydown', onKey);
    return () => {
      unfold();
      element.removeEventListener('scroll', onScroll);
      window.removeEventListener('keydown', onKey);
    };
  }, [main, station]);
}
