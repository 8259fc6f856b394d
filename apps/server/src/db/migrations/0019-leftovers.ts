export const name = '0019-leftovers';

/** What is taken away once it is old is found by its age. */
export const up: string[] = [
  'ALTER TABLE failures ADD INDEX by_age (at)',
  'ALTER TABLE slowed ADD INDEX by_age (last_at)',
  'ALTER TABLE known_browsers ADD INDEX by_age (seen_at)',
  'ALTER TABLE password_addresses ADD INDEX by_age (expires_at)',
  'ALTER TABLE webhooks_seen ADD INDEX by_age (at)',
  'ALTER TABLE visitors ADD INDEX by_ticket_age (ticket_until)',
  'ALTER TABLE browser_sessions ADD INDEX by_end (expires_at), ADD INDEX by_use (seen_at)',
  'ALTER TABLE audit_log ADD INDEX by_age (at)',
];
