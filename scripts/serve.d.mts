export const DEFAULT_PORT: number;
export function whereToListen(
  options: { port?: string; url?: string; host?: boolean },
  env: Record<string, string | undefined>,
): { GLEN_PORT: string; GLEN_HOST: string; GLEN_PUBLIC_URL: string };
