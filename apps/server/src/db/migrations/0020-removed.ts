export const name = '0020-removed';

/** A series that was removed has no dates any more; it is kept so that its removal can be taken back. */
export const up: string[] = ['ALTER TABLE series ADD COLUMN removed_at DATETIME NULL'];
