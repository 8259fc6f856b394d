export function crowd(given: {
  origin: string;
  cookie: string;
  link: { id: number; code: string };
  count: number;
  withinMs: number;
  prefix: string;
}): Promise<{ delays: number[]; tickets: string[] }>;
