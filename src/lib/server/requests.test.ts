import { describe, expect, it } from 'vitest';
import * as z from 'zod';
import { RequestRefused } from './outcome';
import { readJson } from './read-json';

const schema = z.strictObject({ name: z.string().max(10), list: z.array(z.number()).optional() });
const post = (body: BodyInit | null, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', body, headers });
const refusal = async (request: Request, limit = 1000) => {
  try {
    await readJson(request, schema, limit);
  } catch (error) {
    if (error instanceof RequestRefused) return [error.status, error.code, error.path];
    throw error;
  }
  return null;
};

describe('reading JSON', () => {
  it('takes what its schema wants', async () => {
    expect(await readJson(post('\ufeff{"name":"a"}'), schema)).toEqual({ name: 'a' });
  });

  it.each([
    ['nothing', '', [400, 'broken-json', '']],
    ['broken JSON', '{"name":', [400, 'broken-json', '']],
    ['what is no object', '[]', [422, 'not-valid', '']],
    ['a wrong type', '{"name":1}', [422, 'not-valid', 'name']],
    ['a wrong type within', '{"name":"a","list":[1,"x"]}', [422, 'not-valid', 'list.1']],
    ['an unknown key', '{"name":"a","other":1}', [422, 'not-valid', '']],
    ['a prototype key', '{"name":"a","__proto__":{"admin":true}}', [422, 'not-valid', '']],
    ['too deep nesting', '['.repeat(65) + ']'.repeat(65), [400, 'too-deep', '']],
    ['too much', `{"name":"${'a'.repeat(1000)}"}`, [413, 'too-large', '']],
  ])('refuses %s', async (_, body, expected) => {
    expect(await refusal(post(body))).toEqual(expected);
  });

  it('counts bytes whatever the headers claim', async () => {
    expect(await refusal(post('x'.repeat(2000), { 'content-length': '5' }))).toEqual([413, 'too-large', '']);
  });

  it('refuses what is not UTF-8', async () => {
    expect(await refusal(post(new Uint8Array([0x22, 0xff, 0x22])))).toEqual([400, 'not-utf-8', '']);
  });

  it('does not count brackets within texts as nesting', async () => {
    expect(await readJson(post(JSON.stringify({ name: '[[[{"\\' })), schema)).toEqual({ name: '[[[{"\\' });
  });

  it('leaves prototypes alone', async () => {
    await refusal(post('{"__proto__":{"polluted":1}}'));
    expect('polluted' in {}).toBe(false);
  });
});
