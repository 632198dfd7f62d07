import { vi } from 'vitest';

/** Stands in for the browser's observer of sizes: what is observed is looked at once, at once. */
export const stubObservedSize = () =>
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(private readonly look: () => void) {}
      observe = () => this.look();
      disconnect = () => undefined;
    },
  );
