/** By these people move a page themselves. */
const OWN_SCROLLING = ['wheel', 'touchmove', 'pointerdown'] as const;

/**
 * As the `ref` of a part of a page: keeps it wholly in view while the page opens, where the window is high enough, so that its
 * foot covers nothing of it. Once somebody moves the page, or presses something, it stays where they have it.
 */
export function shownWhole(part: HTMLElement): () => void {
  const growing = new ResizeObserver(() => {
    if (part.offsetHeight <= window.innerHeight) part.scrollIntoView({ block: 'nearest' });
  });
  // What stands above it may come later, and push it down.
  for (let box: Element | null = part; box; box = box.parentElement) growing.observe(box);
  const stop = (): void => growing.disconnect();
  for (const event of OWN_SCROLLING) window.addEventListener(event, stop, { passive: true });
  return () => {
    stop();
    for (const event of OWN_SCROLLING) window.removeEventListener(event, stop);
  };
}
