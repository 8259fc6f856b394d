import { ConnectionError, DatabaseError, UniqueConstraintError } from 'sequelize';

/** The database's own word for what went wrong, such as `ER_LOCK_DEADLOCK`. */
function codeOf(error: unknown): string {
  const told = error instanceof DatabaseError ? error.original : error;
  return told instanceof Error && 'code' in told ? String(told.code) : '';
}

const DEADLOCKS = ['ER_LOCK_DEADLOCK', 'ER_CHECKREAD'];
/** Two transactions waited for each other, and the database ended one: it may be begun again. */
export const isDeadlock = (error: unknown): boolean => DEADLOCKS.includes(codeOf(error));

/** A row like this is there already. */
export const isDuplicate = (error: unknown): boolean => error instanceof UniqueConstraintError;

const AWAY =
  /ECONNREFUSED|ECONNRESET|ER_SOCKET|ER_CMD_CONNECTION_CLOSED|ER_CONNECTION|ER_GET_CONNECTION/;
/** The database is away; a request may be tried again. */
export const isUnreachable = (error: unknown): boolean =>
  error instanceof ConnectionError || AWAY.test(codeOf(error));

/** What a statement that makes or drops something says where that was done before. */
const MADE_ALREADY = [
  'ER_TABLE_EXISTS_ERROR',
  'ER_DUP_FIELDNAME',
  'ER_DUP_KEYNAME',
  'ER_CANT_DROP_FIELD_OR_KEY',
  'ER_BAD_TABLE_ERROR',
  'ER_NO_SUCH_TABLE',
];
export const isMadeAlready = (error: unknown): boolean => MADE_ALREADY.includes(codeOf(error));
