import type { RowsPack } from '$lib/core/store/sent-rows';
import { yieldToMain, heldMs } from './yield-to-main';

/** Sends packs of rows, and then calls what is to follow; few go at once, where they are many the thread is let go between them. */
export function sendPacks(packs: Iterable<RowsPack>, send: (pack: RowsPack) => void, done: () => void): void {
  const rest = packs[Symbol.iterator]();
  const goOn = () => {
    const since = performance.now();
    for (let next = rest.next(); !next.done; next = rest.next()) {
      send(next.value);
      if (performance.now() - since >= heldMs) {
        void yieldToMain().then(goOn);
        return;
      }
    }
    done();
  };
  goOn();
}
