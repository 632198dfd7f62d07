import type { RowsPack } from '$lib/core/store/sent-rows';
import { yieldToMain, heldMs } from './yield-to-main';

/**
 * Sends packs of rows, and then calls what is to follow. Few go at once; where they are many the thread is let go whenever it was held for
 * `mostMs`.
 */
export function sendPacks(
  packs: Iterable<RowsPack>,
  { send, done, mostMs = heldMs }: { send: (pack: RowsPack) => void; done: () => void; mostMs?: number | undefined },
): void {
  const rest = packs[Symbol.iterator]();
  const goOn = () => {
    const since = performance.now();
    for (let next = rest.next(); !next.done; next = rest.next()) {
      send(next.value);
      if (performance.now() - since >= mostMs) {
        void yieldToMain().then(goOn);
        return;
      }
    }
    done();
  };
  goOn();
}
