import { readLines } from './read-lines';

/** Sends JSON and answers what comes back; throws with what the server says where it refuses. */
export async function askServer<T>(address: string, body: unknown, signal?: AbortSignal): Promise<T> {
  return (await post(address, body, signal)).json() as Promise<T>;
}

/** Sends JSON and hands over each line of JSON that comes back. */
export async function askForLines(address: string, body: unknown, take: (line: unknown) => void, signal?: AbortSignal): Promise<void> {
  await readLines(await post(address, body, signal), take);
}

async function post(address: string, body: unknown, signal?: AbortSignal): Promise<Response> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    ...(signal && { signal }),
  });
  if (response.ok) return response;
  const said = (await response.json().catch(() => ({}))) as { message?: string };
  throw new Error(said.message ?? `The server answers ${response.status}.`);
}
