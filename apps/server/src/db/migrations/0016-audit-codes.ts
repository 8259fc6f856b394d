export const name = '0016-audit-codes';

/** A code in JSON, with whatever is escaped in it. */
const CODE = `'"entryCode": ?"([^"\\\\\\\\]|\\\\\\\\.)*"'`;
const MARK = `'"entryCode":"set"'`;

/** The log tells that an entry code was set, never which. */
export const up: string[] = ['before_state', 'after_state'].map(
  (column) =>
    `UPDATE audit_log SET ${column} = REGEXP_REPLACE(${column}, ${CODE}, ${MARK}) WHERE ${column} LIKE '%"entryCode":%'`,
);
