/** How long many rows are worked through before the thread is let go, in milliseconds. */
export const heldMs = 8;

/** Lets the thread do what else waits. */
export const yieldToMain = (): Promise<void> =>
  new Promise((goOn) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      goOn();
    };
    port2.postMessage(null);
  });
