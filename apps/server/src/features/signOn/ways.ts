import { SIGNERS, checkShutWays, passkeyHost, type ClaimRule, type WayIn } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { isConfirmed } from '../../http/confirmed.js';
import { stale, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { readWays, writeWays } from '../accounts/waysStore.js';
import { classesThere, wayOfSession } from './store.js';

type Ways = Answer<'signInWays'>;

/** How people sign in. */
export async function describeWays(glen: Glen): Promise<Ways> {
  const { shut, rules, asksPasskey, version } = await readWays(glen.db);
  const [staff, students, guests] = SIGNERS.map((who) => shut[who] ?? []) as [
    WayIn[],
    WayIn[],
    WayIn[],
  ];
  return {
    version,
    shut: { staff, students, guests },
    asksPasskey,
    rules: rules as Ways['rules'],
    providers: [...glen.signOn.values()].map(({ id, name, kind, issuer }) => ({
      id,
      name,
      kind,
      issuer,
    })),
  };
}

/** Throws 422 beside a rule that speaks of what is not there: a provider of the school's, or a class period. */
async function checkRules(glen: Glen, rules: ClaimRule[]): Promise<void> {
  const asked = [...new Set(rules.flatMap((rule) => rule.classIds))];
  const there = new Set((await classesThere(glen.db, asked)).map((one) => one.id));
  rules.forEach(({ provider, classIds, role }, i) => {
    if (glen.signOn.get(provider)?.kind !== 'school')
      throw wrongField(`rules.${i}.provider`, 'This is no provider of school accounts.');
    if (classIds.some((id) => !there.has(id)))
      throw wrongField(`rules.${i}.classIds`, 'One of these class periods is not there.');
    if (role !== 'student' && classIds.length > 0)
      throw wrongField(`rules.${i}.classIds`, 'Only students stand on rolls.');
  });
}

/** Throws 422 beside the field where whoever asks for passkeys has not just shown one: they would shut themselves out. */
async function mustHaveShown(glen: Glen, who: Who): Promise<void> {
  if (passkeyHost(glen.config.publicUrl) === null)
    throw wrongField('asksPasskey', 'There are no passkeys at this address of Glen.');
  if (await isConfirmed(glen, who.sessionId!)) return;
  throw wrongField('asksPasskey', 'Show a passkey of your own first, to see that it works.');
}

/** Changes how people sign in from now on; whoever is in stays in. */
export async function setWays(
  glen: Glen,
  who: Who,
  { version, shut, rules, asksPasskey }: Body<'setSignInWays'>,
): Promise<Ways> {
  const used = (await wayOfSession(glen.db, who.sessionId!)) as WayIn | null;
  checkShutWays(shut, { providers: [...glen.signOn.values()], used });
  await checkRules(glen, rules);
  if (asksPasskey) await mustHaveShown(glen, who);
  const isDone = await glen.db.transaction(async () => {
    const before = await readWays(glen.db, true);
    if (before.version !== version) return false;
    await writeWays(glen.db, { shut, rules, asksPasskey });
    await glen.audit({
      by: who.person!.id,
      action: 'set-sign-in-ways',
      subject: 'school:1',
      before: { shut: before.shut, rules: before.rules, asksPasskey: before.asksPasskey },
      after: { shut, rules, asksPasskey },
    });
    await glen.announce('clock', { thing: 'school', id: 1 });
    return true;
  });
  const now = await describeWays(glen);
  if (!isDone) throw stale(now);
  return now;
}
