/** A class period by its whole name, as every screen and message says it. */
export const classTitle = ({ title, period }: { title: string; period: string | null }): string =>
  period === null ? title : `${title}, period ${period}`;
