/** The channel on which the tabs of one browser tell each other what changed. */
export const tabChannel = 'biblion';

/** What changed where; `file`: what is wrong with the data file, or an empty text; `summary`: a plan of which the Shelf shows something new; `catch-up` asks every tab to look for itself, as after the server was away. */
export type TabMessage = { stream: string; revision: number } | { file: string } | { summary: string } | 'catch-up';

/**
 * Follows the server's events for all tabs of this browser: the tab that holds the lock listens and passes on what it
 * hears; when it closes, another one takes over. Answers what ends it.
 */
export function followServerEvents(): () => void {
  const channel = new BroadcastChannel(tabChannel);
  const abort = new AbortController();
  let source: EventSource | null = null;
  let wasOpen = false;
  const listen = () =>
    new Promise<void>((resolve) => {
      source = new EventSource('/api/events');
      source.onmessage = ({ data }: MessageEvent<string>) => channel.postMessage(JSON.parse(data) as TabMessage);
      source.addEventListener('file', ({ data }: MessageEvent<string>) => channel.postMessage({ file: JSON.parse(data) as string }));
      source.addEventListener('summary', ({ data }: MessageEvent<string>) => channel.postMessage({ summary: JSON.parse(data) as string }));
      source.onopen = () => {
        if (wasOpen) channel.postMessage('catch-up' satisfies TabMessage);
        wasOpen = true;
      };
      abort.signal.addEventListener('abort', () => resolve());
    });
  navigator.locks.request('biblion-news', { signal: abort.signal }, listen).catch((error: unknown) => {
    // Ended before its turn came.
    if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
  });
  return () => {
    abort.abort();
    source?.close();
    channel.close();
  };
}
