/** Asks the server how it is, over and over, in a thread of its own: what holds the asker up is not counted as the server's. */
import { parentPort, workerData } from 'node:worker_threads';

let [longest, isOver] = [0, false];
parentPort?.once('message', () => (isOver = true));

await (await fetch(workerData)).text();
parentPort?.postMessage('watching');
while (!isOver) {
  const start = performance.now();
  await (await fetch(workerData)).text();
  longest = Math.max(longest, performance.now() - start);
  await new Promise((resolve) => setTimeout(resolve, 10));
}
parentPort?.postMessage(longest);
