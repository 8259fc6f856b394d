import type { EntryRules } from './rules.js';

/** Why somebody waits in the lobby instead of going straight in, in the words of the desk. */
export function lobbyReason(
  rules: Pick<EntryRules, 'straightIn'>,
  visitor: { account: 'school' | 'personal' | 'none' | 'phone'; onRoll: boolean },
): string {
  if (visitor.account === 'phone') return 'callers wait';
  switch (rules.straightIn) {
    case 'hosts':
      return 'only hosts go straight in';
    case 'presenters':
      return 'only hosts and presenters go straight in';
    case 'roll':
      return visitor.onRoll
        ? 'knocked before the rules let the roll in'
        : 'not on the roll, which goes straight in';
    case 'school':
      return visitor.account === 'school'
        ? 'knocked before the rules let the school in'
        : 'not with a school account';
    case 'everyone':
      return 'knocked before the rules let everyone in';
  }
}
