/** "1 student sees", "3 students see". */
export const counted = (n: number, one: string, many: string): string =>
  n === 1 ? `1 ${one}` : `${n} ${many}`;
