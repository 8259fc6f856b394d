/** The two providers: the school's own accounts, and private ones. */
export const PROVIDERS = ['school', 'home'] as const;
export type ProviderName = (typeof PROVIDERS)[number];

/** Somebody who has an account at a provider. */
export interface Holder {
  /** What they are to the provider for ever (`sub`). */
  subject: string;
  email: string;
  /** The provider has seen that the address is theirs. */
  proven: boolean;
  name: string;
  /** What they belong to, claimed as `groups`. */
  groups: string[];
}

const holder = (subject: string, name: string, email: string, groups: string[] = []): Holder => ({
  subject,
  name,
  email,
  proven: true,
  groups,
});

/** Who has an account at first. */
export const HOLDERS: Record<ProviderName, Holder[]> = {
  school: [
    holder('s-1001', 'Ottoline Marsh', 'o.marsh@merrow.example', ['staff']),
    holder('s-1002', 'Signe Aalto', 's.aalto@merrow.example', ['staff']),
    holder('s-1003', 'Noor Achterberg', 'n.achterberg@merrow.example', ['staff']),
    holder('s-1004', 'Perpetua Lund', 'office@merrow.example', ['staff']),
    holder('s-2001', 'Ansel Grue', 'ansel.grue@merrow.example', ['crew']),
    holder('s-2002', 'Fenna Ostrow', 'fenna.ostrow@merrow.example', ['crew', 'cadets']),
  ],
  home: [
    holder('h-1', 'Ottoline Marsh', 'ottoline@home.example'),
    holder('h-2', 'Hedda Grue', 'hedda.grue@home.example'),
    holder('h-3', 'Rasmus Vane', 'rasmus.vane@home.example'),
    holder('h-4', 'Ragna Quill', 'ragna.quill@home.example'),
  ],
};
