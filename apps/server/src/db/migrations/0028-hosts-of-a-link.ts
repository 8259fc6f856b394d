export const name = '0028-hosts-of-a-link';

/** A link may be hosted by those who are named at it alone: a one-to-one is no other teacher's. */
export const up: string[] = [
  `ALTER TABLE links ADD COLUMN hosted_by ENUM('class','named') NOT NULL DEFAULT 'class'`,
];
