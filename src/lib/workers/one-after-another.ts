/** A listener that handles messages one after another, also where one of them waits for something. What fails is an error of the worker. */
export function oneAfterAnother<Message>(handle: (message: Message) => void | Promise<void>): (event: MessageEvent<Message>) => void {
  let before: Promise<void> = Promise.resolve();
  return ({ data }) => {
    before = before.then(() => handle(data));
    before.catch((error: unknown) =>
      setTimeout(() => {
        throw error;
      }),
    );
  };
}
