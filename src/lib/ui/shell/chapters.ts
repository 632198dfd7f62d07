/** The chapters that exist, in the order of the work. */
export const planChapters = [
  { id: 'brief', name: 'Brief' },
  { id: 'settings', name: 'Settings' },
  { id: 'research', name: 'Research' },
  { id: 'groups', name: 'Groups' },
  { id: 'ads', name: 'Ads' },
  { id: 'forecast', name: 'Forecast' },
  { id: 'proof', name: 'Proof' },
  { id: 'hand-off', name: 'Hand-off' },
] as const;
export type PlanChapter = (typeof planChapters)[number]['id'];
