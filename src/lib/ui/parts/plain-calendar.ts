/** Says of the calendar's days what is true of them: buttons, of which one is pressed. Its own grid has no rows, which screen readers refuse. */
export function plainCalendar(panel: Element): () => void {
  const tell = () => {
    panel.querySelector('[role="grid"]')?.setAttribute('role', 'group');
    for (const head of panel.querySelectorAll('[role="columnheader"]')) {
      head.removeAttribute('role');
      head.setAttribute('aria-hidden', 'true');
    }
    for (const day of panel.querySelectorAll('[role="gridcell"], [aria-selected]')) {
      day.removeAttribute('role');
      day.setAttribute('aria-pressed', day.getAttribute('aria-selected') ?? 'false');
      day.removeAttribute('aria-selected');
    }
  };
  const observer = new MutationObserver(tell);
  tell();
  observer.observe(panel, { subtree: true, childList: true, attributes: true, attributeFilter: ['role', 'aria-selected'] });
  return () => observer.disconnect();
}
