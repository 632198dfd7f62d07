import { describe, expect, it } from 'vitest';
import { findRefusal } from './request-guard.js';

const own = { method: 'GET', host: '127.0.0.1:4173', origin: null, port: '4173' };

describe('findRefusal', () => {
  it.each(['127.0.0.1:4173', 'localhost:4173', '[::1]:4173', 'LOCALHOST:4173'])('lets %s read', (host) => {
    expect(findRefusal({ ...own, host })).toBeNull();
  });

  it.each(['evil.example', 'evil.example:4173', '127.0.0.1', '127.0.0.1:80', '127.0.0.1.evil.example:4173', '', null])(
    'refuses the host %s',
    (host) => {
      expect(findRefusal({ ...own, host })?.code).toBe('foreign-host');
    },
  );

  it('asks for the own origin on every write', () => {
    const write = { ...own, method: 'POST' };
    expect(findRefusal({ ...write, origin: 'http://127.0.0.1:4173' })).toBeNull();
    for (const origin of [null, 'null', 'http://evil.example', 'http://localhost:4173', 'https://127.0.0.1:4173'])
      expect(findRefusal({ ...write, origin })?.code).toBe('foreign-origin');
  });
});
