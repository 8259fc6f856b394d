/** The school time at which tests begin: a Wednesday morning in the middle of a term. */
export const DEMO_TIME = '2026-10-14T10:31';
