/** The columns that heading, groups and keywords of the sheet share. */
export const sheetGrid = 'grid-cols-[26px_minmax(0,1.7fr)_80px_72px_88px_minmax(0,1fr)]';
