/** Lets the thread do what else waits. */
export const giveWay = (): Promise<void> =>
  new Promise((goOn) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      goOn();
    };
    port2.postMessage(null);
  });
