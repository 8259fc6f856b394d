/** Something that a browser keeps for a short while: its name, what is kept (nothing: no longer), and for how many seconds. */
export interface KeptCookie {
  name: string;
  value: string | null;
  seconds: number;
}

/** An answer that sends the browser on to a page of Glen's own, or to a provider of accounts. */
export class SentOn {
  constructor(readonly to: string) {}
}
