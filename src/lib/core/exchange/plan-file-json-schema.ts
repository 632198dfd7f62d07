import * as z from 'zod';
import { planFileSchema } from './plan-file';

/** The JSON Schema (2020-12) of the plan file. Refinements such as “a date that exists” are not in it. */
export const planFileJsonSchema = () => ({
  title: 'Biblion plan file',
  ...z.toJSONSchema(planFileSchema, { io: 'input', unrepresentable: 'any' }),
});
