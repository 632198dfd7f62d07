import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlanState } from '../state/plan-state.svelte';
import { Versions } from './versions.svelte';

/** A server that keeps versions, as far as the list asks it. */
let kept: { id: number; name: string }[];
let asked: string[];
const refusal = (status: number, message: string) => new Response(JSON.stringify({ message }), { status });

function serve(address: string, { method = 'GET', body }: { method?: string; body?: string } = {}): Response {
  const path = address.replace('/api/plans/a%2Fplan/versions', '');
  asked.push(`${method} ${path}`);
  const { name = '' } = body ? (JSON.parse(body) as { name?: string }) : {};
  const id = Number(/^\/(\d+)/.exec(path)?.[1]);
  if (method === 'POST') kept = [{ id: kept.length + 1, name }, ...kept];
  else if (id && !kept.some((version) => version.id === id)) return refusal(404, 'There is no such version.');
  else if (method === 'PATCH') kept = kept.map((version) => (version.id === id ? { id, name } : version));
  else if (method === 'DELETE') kept = kept.filter((version) => version.id !== id);
  return Response.json(id && method === 'GET' ? { count: 2, rows: [] } : { versions: kept });
}

const flush = vi.fn(async () => undefined);
const goToVersion = vi.fn(async (_: number) => undefined);
let versions: Versions;
beforeEach(() => {
  [kept, asked] = [[], []];
  vi.stubGlobal('fetch', async (address: string, init?: { method?: string; body?: string }) => serve(address, init));
  vi.clearAllMocks();
  versions = new Versions({ planId: 'a/plan', flush, goToVersion } as unknown as PlanState);
});
afterEach(() => vi.unstubAllGlobals());

describe('versions of a plan', () => {
  it('are kept once what waits is sent, renamed, and listed anew after each', async () => {
    await versions.keep('Before the price went up');
    expect(flush).toHaveBeenCalledOnce();
    expect(asked).toEqual(['POST ', 'GET ']);
    await versions.rename(1, 'Old price');
    expect(versions.list).toEqual([{ id: 1, name: 'Old price' }]);
  });

  it('are compared, with one another or with the plan as it stands; one that is removed is compared no longer', async () => {
    await versions.keep('First');
    await versions.keep('Second');
    await versions.compare(1, 2);
    expect(versions.comparison).toEqual({ from: 1, against: 2, count: 2, rows: [] });
    expect(asked.at(-1)).toBe('GET /1?against=2');
    await versions.remove(2);
    expect([versions.comparison, versions.list?.length]).toEqual([null, 1]);
    await versions.compare(1, null);
    expect(asked.at(-1)).toBe('GET /1');
  });

  it('are gone back to, and what is compared is compared anew', async () => {
    await versions.keep('First');
    await versions.goBack(1);
    expect(goToVersion).toHaveBeenCalledWith(1);
    expect(versions.comparison).toBeNull();
    await versions.compare(1, null);
    await versions.goBack(1);
    expect(asked.slice(-2)).toEqual(['GET /1', 'GET /1']);
  });

  it('say why something was not done, until the next thing is', async () => {
    await versions.rename(9, 'Nothing');
    expect(versions.failure).toBe('There is no such version.');
    await versions.load();
    expect([versions.failure, versions.list]).toEqual(['', []]);
  });
});
