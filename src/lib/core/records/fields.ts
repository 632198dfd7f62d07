import * as z from 'zod';
import { made } from './made';
import { isCurrency, largestAmount } from '../money/money';
import { findRefusedSigns } from '../text/clean';

/** An id that tells its record type apart for the compiler. */
export type Id<Name extends string> = string & { readonly record?: Name };

const refuseSigns = (multiline: boolean) => (text: string, context: z.RefinementCtx) => {
  for (const { code, at, sign } of findRefusedSigns(text, { multiline }).slice(0, 1))
    context.addIssue({ code: 'custom', message: `${code} ${sign} at position ${at + 1}` });
};

/** An id that a sender makes up: letters, digits and hyphens. */
export const sentId = /* @__PURE__ */ made(() => z.string().regex(/^[A-Za-z0-9-]{1,64}$/));

/** An id of a record, as made by the browser. */
export const id = <Name extends string>() => sentId.transform((text) => text as Id<Name>);

/** One line of text, kept as typed; control, direction and invisible signs are refused. */
export const text = /* @__PURE__ */ made(() => z.string().max(10_000).superRefine(refuseSigns(false)));

/** A name: one line of text that is not empty. */
export const name = /* @__PURE__ */ made(() => text.refine((value) => value.trim() !== '', { message: 'A name is needed.' }));

/** Words by which rows are found again, as one calls them. */
export const labels = /* @__PURE__ */ made(() => z.array(name.max(60)).max(20));

/** A local date, yyyy-MM-dd, that exists. */
export const date = /* @__PURE__ */ made(() => z.iso.date());

/** Minor units of the account's currency. */
export const amount = /* @__PURE__ */ made(() => z.int().min(0).max(largestAmount));

/** Place in a list; earlier is smaller. */
export const position = /* @__PURE__ */ made(() => z.int().min(0).max(1_000_000_000));

/** A language or locale code (BCP 47) that `Intl` knows how to read. */
export const language = /* @__PURE__ */ made(() =>
  z
    .string()
    .max(35)
    .refine(
      (code) => {
        try {
          return Intl.getCanonicalLocales(code).length === 1;
        } catch {
          return false;
        }
      },
      { message: 'Not a language code.' },
    ),
);

/** ISO 4217. */
export const currency = /* @__PURE__ */ made(() => z.string().refine(isCurrency, { message: 'Not a currency code.' }));

/** A time zone of the IANA list. */
export const timeZone = /* @__PURE__ */ made(() =>
  z
    .string()
    .max(64)
    .refine(
      (zone) => {
        try {
          return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
        } catch {
          return false;
        }
      },
      { message: 'Not a time zone.' },
    ),
);
