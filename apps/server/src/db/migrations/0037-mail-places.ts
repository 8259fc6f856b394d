export const name = '0037-mail-places';

/** Mail is a place of posts: letters know which placement they are of, and who reads it in Glen alone. */
export const up: string[] = [
  `ALTER TABLE post_places MODIFY kind ENUM('stream','item','calendar','by-hand','mail') NOT NULL`,
  `ALTER TABLE letters ADD COLUMN placement_id INT UNSIGNED NULL, ADD KEY by_placement (placement_id),
    MODIFY state ENUM('waiting','sent','refused','dropped','glen') NOT NULL DEFAULT 'waiting'`,
];
