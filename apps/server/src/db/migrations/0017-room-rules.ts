export const name = '0017-room-rules';

/**
 * What a room was last told to hold, and who may share in it for one session though the rules would not; what a teacher
 * has looked at in a room of their own.
 */
export const up: string[] = [
  `ALTER TABLE sittings ADD COLUMN rules_told JSON NULL, ADD COLUMN all_share TINYINT(1) NOT NULL DEFAULT 0`,
  `ALTER TABLE visitors ADD COLUMN may_share TINYINT(1) NOT NULL DEFAULT 0`,
  'ALTER TABLE links ADD COLUMN room_looked_at JSON NULL',
  `ALTER TABLE outbox MODIFY kind ENUM('placement','end-room','put-out','set-role','post','look','room-rules','mute','let-share') NOT NULL`,
];
