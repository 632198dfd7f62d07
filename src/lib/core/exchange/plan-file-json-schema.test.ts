import { Ajv2020 } from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { cleanFile } from '../../../tests/clean-plan';
import { samplePlans } from '../../../demo/samples';
import { planFileJsonSchema } from './plan-file-json-schema';

const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(planFileJsonSchema());

describe('the published schema of the plan file', () => {
  it('is the one in docs', () => {
    const published = JSON.parse(readFileSync('docs/plan-file.schema.json', 'utf8'));
    expect(published).toEqual(JSON.parse(JSON.stringify(planFileJsonSchema())));
  });

  it('takes every sample plan', () => {
    for (const plan of [...samplePlans, cleanFile]) {
      validate(plan);
      expect(validate.errors ?? []).toEqual([]);
    }
  });

  it('refuses what the reader refuses', () => {
    expect(validate({ ...cleanFile, version: 2 })).toBe(false);
    expect(validate({ ...cleanFile, other: 1 })).toBe(false);
    expect(validate({ ...cleanFile, brief: { ...cleanFile.brief, monthlyMinor: 1.5 } })).toBe(false);
  });
});
