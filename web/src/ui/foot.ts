/** Between the foot and a message above it, px. */
const GAP = 10;

/**
 * A ref for the foot of a screen, which holds the next step: tells the page how high it is, as `--foot`, so that short
 * messages stand above it and cover nothing of it.
 */
export function tellFoot(foot: HTMLElement | null): (() => void) | undefined {
  if (!foot) return undefined;
  const { style } = document.documentElement;
  const observer = new ResizeObserver(() => {
    const below = Number.parseFloat(getComputedStyle(foot).marginBottom) || 0;
    style.setProperty('--foot', `${Math.round(foot.offsetHeight + below + GAP)}px`);
  });
  observer.observe(foot);
  return () => {
    observer.disconnect();
    style.removeProperty('--foot');
  };
}
