import type { PlanFile } from '$lib/core/exchange/plan-file';
import { blankFields } from '$lib/core/records/record-types';

/** What a new plan begins with. */
export interface NewPlan {
  clientName: string;
  site: string;
  currency: string;
  timeZone: string;
  planName: string;
  language: string;
}

/** An empty plan as a plan file, which is how every plan comes onto the Shelf. */
export function newPlanFile({ clientName, site, currency, timeZone, planName, language }: NewPlan): PlanFile {
  return {
    format: 'biblion-plan',
    version: 1,
    name: planName.trim(),
    client: { name: clientName.trim(), site: site.trim() },
    account: { currency, timeZone },
    brief: {
      ...blankFields('brief'),
      languages: [language],
      facts: [],
      notOffered: [],
      rivals: [],
      always: [],
      proofs: [],
      offers: [],
      slotWords: [],
      places: [],
    },
    campaigns: [],
    negatives: [],
    extras: [],
    wordVerdicts: [],
    wordKinds: [],
    rivals: [],
    pagesRead: [],
    sitePages: [],
    looks: [],
    leads: [],
    reports: [],
    finds: [],
    scenarios: [],
    setAside: [],
  };
}

/** Sends a plan file; answers the new plan's id and the fields that were kept out of it, or throws with what is wrong and where. */
export async function readInPlan(file: unknown): Promise<{ id: string; keptOut: string[] }> {
  const response = await fetch('/api/plans', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: typeof file === 'string' ? file : JSON.stringify(file),
  });
  const answer = (await response.json()) as { id?: string; keptOut?: string[]; message?: string; path?: string };
  if (!response.ok || !answer.id) throw new Error([answer.message, answer.path && `(at ${answer.path})`].filter(Boolean).join(' '));
  return { id: answer.id, keptOut: answer.keptOut ?? [] };
}
