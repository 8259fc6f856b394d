/** An instant as the database tells it, in the form that the core takes. */
export const fromSql = (told: string): string => `${told.replace(' ', 'T')}Z`;

/** `2026-10-14T13:45:00Z` as a DATETIME column takes it. */
export const toSql = (instant: string): string => instant.slice(0, 19).replace('T', ' ');
