import type { Session } from '../packages/contract/src/index.js';
import { addGuests } from '../apps/server/src/features/guest/list.js';
import { sayByAddress } from '../apps/server/src/features/guest/invitations.js';
import type { Glen } from '../apps/server/src/glen.js';

/** Who is expected from outside at the Harbour Evening; most have said whether they come. */
const PARENTS = [
  ['Runa Tideman', 'runa.tideman@home.example', 'yes'],
  ['Osric Larkin', 'osric.larkin@home.example', 'yes'],
  ['Mina Farrow', 'mina.farrow@home.example', 'yes'],
  ['Joren Pell', 'joren.pell@home.example', 'no'],
  ['Tova Hask', 'tova.hask@home.example', null],
] as const;
const SPEAKER = 'Rasmus Vane <rasmus.vane@home.example>';

/** The guest list of an evening, by its host: a speaker, and parents. */
export async function loadGuests(
  glen: Glen,
  { linkId, seriesId, key }: Pick<Session, 'linkId' | 'seriesId' | 'key'>,
  by: number,
): Promise<void> {
  const at = { linkId, by };
  await addGuests(glen, at, { text: SPEAKER, comes: 'speaker', seriesId, key });
  const text = PARENTS.map(([name, email]) => `${name} <${email}>`).join('\n');
  await addGuests(glen, at, { text, comes: 'inside', seriesId, key });
  for (const [, email, said] of PARENTS)
    if (said !== null) await sayByAddress(glen, { linkId, email }, said);
}
