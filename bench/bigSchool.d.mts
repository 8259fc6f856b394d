interface SchoolSize {
  people: number;
  classes: number;
  /** Of each class period. */
  dates: number;
}
export const WHOLE: SchoolSize;
export function fillSchool(
  ask: (sql: string) => Promise<unknown>,
  size?: SchoolSize,
): Promise<void>;
