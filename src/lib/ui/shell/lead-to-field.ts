import { enterEvent } from './enter-new';

const framesToWait = 60;

/** Waits for the field to be drawn, then scrolls to it, focuses it and marks it for a moment. */
export function leadToField(at: string): void {
  let frames = 0;
  const look = () => {
    const exact = document.querySelector<HTMLElement>(`[data-at="${CSS.escape(at)}"]`);
    const [record = ''] = at.split(':');
    const element =
      exact ??
      (frames > framesToWait / 2 && record !== '' ? document.querySelector<HTMLElement>(`[data-at^="${CSS.escape(record)}:"]`) : null);
    if (element) {
      element.scrollIntoView({ block: 'center' });
      const target = element.matches('input, select, textarea, button, a, slot-editor, [tabindex]')
        ? element
        : element.querySelector<HTMLElement>('input, select, textarea, button, [tabindex]');
      if (target?.localName === 'slot-editor') target.dispatchEvent(new CustomEvent(enterEvent));
      else target?.focus({ preventScroll: true });
      // An attribute of its own: a field draws its classes anew once it has the focus.
      element.dataset.ledTo = '';
      setTimeout(() => delete element.dataset.ledTo, 1600);
    } else if (++frames < framesToWait) requestAnimationFrame(look);
  };
  look();
}
