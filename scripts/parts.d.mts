export function serveParts(given?: { port?: number }): Promise<{
  url: string;
  stop: () => Promise<void>;
}>;
