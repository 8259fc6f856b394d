import * as say from './words.js';
export const kindInWords = (kind: 'school' | 'personal'): string =>
  kind === 'school' ? say.schoolAccount : say.homeAccount;
