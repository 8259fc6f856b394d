export function crowd(given: {
  origin: string;
  cookie: string;
  link: { id: number; code: string };
  accountIds: number[];
  withinMs: number;
  prefix: string;
}): Promise<{ delays: number[]; tickets: string[] }>;

export function takeInGuests(
  run: (sql: string) => Promise<unknown>,
  given: { prefix: string; count: number },
): Promise<number[]>;
