export function formerNamesIn(text: string): string[];
