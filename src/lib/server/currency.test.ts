import { beforeEach, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, firstDraft, row, workspaceRows } from '../../tests/clean-plan';
import type { SentChange } from '$lib/core/store/changes';
import { openDatabase } from './db/open-database';
import { RequestRefused } from './outcome';
import { Plans } from './plans';
import { ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';

let writer: ChangeWriter;
let plans: Plans;
let count = 0;

beforeEach(() => {
  const now = () => new Date('2026-12-21T09:00:00Z');
  writer = new ChangeWriter(openDatabase(':memory:'), now);
  plans = new Plans(writer, { now, newId: () => `made-${++count}` });
  const shelf = workspaceRows(cleanFile, 'plan');
  writer.create(workspaceStream, {
    type: 'several',
    name: 'client-added',
    changes: (['client', 'account', 'plan'] as const).map((record) => ({ type: 'add', record, rows: shelf[record] })),
  });
  writer.create('plan', firstDraft(snapshotOfFile(cleanFile)));
});

const apply = (change: SentChange['change'], stream = 'plan') =>
  writer.apply(stream, { id: `change-${++count}`, revision: writer.open(stream).revision, change });
const refusal = (written: ReturnType<typeof apply>) => (written.ok ? null : written.refusal.code);
const snapshot = () => writer.open('plan').snapshot;
const currency = () => writer.open(workspaceStream).snapshot.account.get('account')?.currency;
const setOffer = (offer: string) => apply({ type: 'set', record: 'brief', ids: ['plan'], fields: { offer } });

describe('another currency for an account', () => {
  it('converts every amount of its plans at the rate, rounded to the minor unit, bids of finds too', () => {
    const bids = [{ lowMinor: 100, highMinor: 201 }];
    apply({ type: 'set', record: 'find', ids: [row(snapshot(), 'find').id], fields: { bids } });
    plans.changeCurrency('account', { currency: 'JPY', rate: 190.5 });
    expect(currency()).toBe('JPY');
    // £900.00 at 190.5 yen; £1.60; £140.00.
    expect(row(snapshot(), 'campaign').monthlyMinor).toBe(171_450);
    expect(row(snapshot(), 'group').defaultBidMinor).toBe(305);
    expect(row(snapshot(), 'offer').priceMinor).toBe(26_670);
    expect(row(snapshot(), 'find').bids).toEqual([{ lowMinor: 191, highMinor: 383 }]);
    expect(row(snapshot(), 'brief').valueMinor).toBe(18_288);
  });

  it('keeps the figures where that is what was asked for', () => {
    plans.changeCurrency('account', { currency: 'NOK', rate: null });
    expect([currency(), row(snapshot(), 'campaign').monthlyMinor]).toEqual(['NOK', 90_000]);
  });

  it('is asked for by no other way, and undone by none', () => {
    expect(refusal(apply({ type: 'set', record: 'account', ids: ['account'], fields: { currency: 'NOK' } }, workspaceStream))).toBe(
      'currency-asks',
    );
    const other = { id: 'other', clientId: 'client', currency: 'EUR', timeZone: 'Europe/Paris', position: 1 };
    expect(apply({ type: 'add', record: 'account', rows: [other] }, workspaceStream).ok).toBe(true);
    expect(refusal(apply({ type: 'set', record: 'plan', ids: ['plan'], fields: { accountId: 'other' } }, workspaceStream))).toBe(
      'currency-asks',
    );
    setOffer('before');
    plans.changeCurrency('account', { currency: 'NOK', rate: 13.4 });
    setOffer('after');
    expect(apply({ type: 'undo' }).ok).toBe(true);
    expect(refusal(apply({ type: 'undo' }))).toBe('currency-between');
    expect(refusal(apply({ type: 'go-to-step', step: 0 }))).toBe('currency-between');
    expect(refusal(apply({ type: 'undo' }, workspaceStream))).toBe('currency-between');
    expect(currency()).toBe('NOK');
  });

  it('keeps a version from before it away until the currency is what it was', () => {
    const version = writer.versions.add('plan', { name: 'In pounds', kind: 'kept', ...writer.open('plan') });
    plans.changeCurrency('account', { currency: 'NOK', rate: 13.4 });
    expect(refusal(apply({ type: 'go-to-version', version }))).toBe('currency-between');
    plans.changeCurrency('account', { currency: 'GBP', rate: 1 / 13.4 });
    expect(refusal(apply({ type: 'go-to-version', version }))).toBeNull();
    expect(row(snapshot(), 'campaign').monthlyMinor).toBe(90_000);
  });

  it('is refused for an account that is not there, and is nothing where it is the same', () => {
    expect(() => plans.changeCurrency('none', { currency: 'NOK', rate: null })).toThrow(RequestRefused);
    const { revision } = writer.open(workspaceStream);
    plans.changeCurrency('account', { currency: 'GBP', rate: 2 });
    expect(writer.open(workspaceStream).revision).toBe(revision);
  });
});
