export const name = '0022-lately-age';

/** What takes changes back goes after some weeks: found by its age. */
export const up: string[] = ['ALTER TABLE lately ADD KEY by_age (at)'];
