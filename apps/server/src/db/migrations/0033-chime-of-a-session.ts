export const name = '0033-chime-of-a-session';

/** Whether comings and goings are announced in one session's room, where a host has said so at the desk. */
export const up: string[] = ['ALTER TABLE sittings ADD COLUMN chime TINYINT(1) NULL'];
