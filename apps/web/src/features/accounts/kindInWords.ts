export const kindInWords = (kind: 'school' | 'personal'): string =>
  kind === 'school' ? 'school account' : 'home account';
