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

  it('lets other sites and other ports lead here, and read nothing', () => {
    for (const site of ['cross-site', 'same-site']) {
      expect(findRefusal({ ...own, site, mode: 'navigate' })).toBeNull();
      for (const mode of ['no-cors', 'cors', 'websocket', null]) expect(findRefusal({ ...own, site, mode })?.code).toBe('foreign-site');
      expect(findRefusal({ ...own, method: 'HEAD', site, mode: 'navigate' })?.code).toBe('foreign-site');
    }
    for (const site of ['same-origin', 'none', null]) expect(findRefusal({ ...own, site, mode: 'cors' })).toBeNull();
  });

  it('asks for the own origin on every write', () => {
    const write = { ...own, method: 'POST' };
    expect(findRefusal({ ...write, origin: 'http://127.0.0.1:4173' })).toBeNull();
    for (const origin of [null, 'null', 'http://evil.example', 'http://localhost:4173', 'https://127.0.0.1:4173'])
      expect(findRefusal({ ...write, origin })?.code).toBe('foreign-origin');
  });
});
