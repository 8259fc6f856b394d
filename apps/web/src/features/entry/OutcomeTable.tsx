import type { EntryDecision, EntryTable, PersonKind } from '@glen/core';

interface Names {
  hosts: string[];
  presenters: string[];
}

const KIND_WORDS: Record<PersonKind, string> = {
  host: 'Hosts',
  'named-presenter': 'A named presenter',
  'on-roll': 'Student on the roll',
  'on-roll-home-account': 'Same student, home account',
  'other-student': 'Student of another class',
  colleague: 'A colleague',
  'signed-in-guest': 'Guest with a home account',
  stranger: 'Anyone with the link',
  phone: 'By phone',
};

/** What an answer of the door is called in the table. */
export function outcomeInWords(
  decision: EntryDecision,
  opensAt: string | null,
): { text: string; tone: 'well' | 'careful' | 'wrong' | 'plain' } {
  const presents = decision.role === 'presenter';
  if (decision.outcome === 'enter')
    return { text: presents ? 'straight in, presents' : 'enter', tone: 'well' };
  if (decision.outcome === 'lobby')
    return { text: presents ? 'lobby, then presents' : 'lobby', tone: 'careful' };
  if (decision.reason === 'early')
    return { text: opensAt ? `waits till ${opensAt}` : 'waits till it opens', tone: 'plain' };
  if (decision.reason === 'no-host') return { text: 'waits for a host', tone: 'plain' };
  if (decision.outcome === 'not-yet') return { text: 'waits', tone: 'plain' };
  if (decision.reason === 'use-school-account') return { text: 'asked to switch', tone: 'wrong' };
  if (decision.reason === 'sign-in') return { text: 'asked to sign in', tone: 'wrong' };
  return { text: 'turned away', tone: 'wrong' };
}

const TONES = {
  well: 'bg-moss-tint text-moss-deep',
  careful: 'bg-gorse-tint text-gorse-deep',
  wrong: 'bg-berry-tint text-berry-deep',
  plain: 'bg-shade text-ink',
} as const;

const rowName = (kind: PersonKind, names: Names): { who: string; as?: string } => {
  if (kind === 'host')
    return names.hosts.length === 0
      ? { who: 'Hosts' }
      : { who: names.hosts.join(', '), as: 'hosts' };
  if (kind === 'named-presenter')
    return { who: names.presenters.join(', '), as: 'named presenter' };
  return { who: KIND_WORDS[kind] };
};

interface OutcomeTableProps {
  table: EntryTable;
  names: Names;
  opensAt: string | null;
  asksCode: boolean;
}

const momentWords = (opensAt: string | null): Record<EntryTable['moments'][number], string> => ({
  before: opensAt ? `before ${opensAt}` : 'before it opens',
  'open-no-host': 'door open, no host',
  'host-in': 'host is in',
  ended: 'after the end',
});

function OutcomeCell({ answer, opensAt }: { answer: EntryDecision; opensAt: string | null }) {
  const { text, tone } = outcomeInWords(answer, opensAt);
  return <td className={`rounded-small px-2.5 py-1.5 font-semibold ${TONES[tone]}`}>{text}</td>;
}

interface OutcomeRowProps extends Pick<OutcomeTableProps, 'names' | 'opensAt'> {
  row: EntryTable['rows'][number];
  moments: EntryTable['moments'];
}

function OutcomeRow({ row, moments, names, opensAt }: OutcomeRowProps) {
  const { who, as } = rowName(row.kind, names);
  return (
    <tr>
      <th scope="row" className="rounded-small bg-shade px-2.5 py-1.5 text-left font-semibold">
        {who}
        {as && <span className="font-normal text-soft"> · {as}</span>}
      </th>
      {row.answers.map((answer, i) => (
        <OutcomeCell key={moments[i]} answer={answer} opensAt={opensAt} />
      ))}
    </tr>
  );
}

/** The rules by their outcome: kind of person by moment. */
export function OutcomeTable({ table, names, opensAt, asksCode }: OutcomeTableProps) {
  const words = momentWords(opensAt);
  return (
    <section aria-labelledby="so-at-the-door" className="mt-6 overflow-x-auto" tabIndex={0}>
      <h2 id="so-at-the-door" className="mb-2 text-base">
        So, at the door
      </h2>
      <table className="w-full border-separate border-spacing-1 text-md">
        <thead>
          <tr>
            <td />
            {table.moments.map((m) => (
              <th key={m} scope="col" className="px-1 text-left text-sm font-semibold text-soft">
                {words[m]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row) => (
            <OutcomeRow
              key={row.kind}
              row={row}
              moments={table.moments}
              names={names}
              opensAt={opensAt}
            />
          ))}
        </tbody>
      </table>
      {asksCode && (
        <p className="mt-1 text-sm text-soft">Everyone is taken to know the entry code.</p>
      )}
    </section>
  );
}
