export const name = '0023-school-time';

/** What happened is told in school time, which is another than the machine's where the school's clock is moved. */
export const up: string[] = ['ALTER TABLE audit_log ADD COLUMN school_at DATETIME NULL AFTER at'];
