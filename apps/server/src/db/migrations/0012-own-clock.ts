export const name = '0012-own-clock';

/** In which order somebody writes dates, and on which clock; nothing: as their school does. */
export const up: string[] = [
  `ALTER TABLE people ADD COLUMN date_order ENUM('dmy','mdy','ymd') NULL, ADD COLUMN hours ENUM('24','12') NULL`,
];
