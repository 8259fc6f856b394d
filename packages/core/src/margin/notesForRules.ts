import type { Finding } from '../entry/reviewRules.js';
import type { RuleField } from '../entry/rules.js';
import type { Note } from './note.js';

const SEVERITY = { high: 'wrong', medium: 'careful', info: 'inform' } as const;

const TITLES: Record<Finding['code'], string> = {
  'open-door': 'The door stands wide open',
  'crowd-alone': 'Strangers could be in there alone',
  'nobody-to-admit': 'Nobody lets people in',
  'one-to-one-open': 'Others could walk in',
  'guests-shut-out': 'Guests are turned away',
  'named-cannot-present': 'Named presenters cannot present',
  'named-wait': 'Presenters wait in the lobby',
  'everyone-presents': 'Everyone presents',
  'code-not-sent': 'The code is not in the post',
  'link-in-public': 'The link stands in public',
  'lobby-crowd': 'A long queue in the lobby',
  'phone-straight-in': 'Callers pass the lobby',
  'room-cannot-hold': 'Some rules are yours to set',
};

const FIX_LABELS: Partial<Record<Finding['code'], string>> = {
  'open-door': 'Let others wait in the lobby',
  'crowd-alone': 'Only with a host',
  'nobody-to-admit': 'Only with a host',
  'one-to-one-open': 'Keep it private',
  'guests-shut-out': 'Let guests in',
  'named-cannot-present': 'Let them present',
  'named-wait': 'Let them straight in',
  'everyone-presents': 'Hosts and named people',
  'link-in-public': 'Hold the rest in the lobby',
  'phone-straight-in': 'Callers to the lobby',
};

/**
 * Findings as notes of the margin. A fix that the school has locked is not offered; the note says so.
 * `about` names the class period where the screen shows several; `subject` is its id, for the fix.
 */
export function notesForRules(
  findings: Finding[],
  locked: readonly RuleField[],
  subject: number,
  about?: string,
): Note[] {
  return findings.map(({ code, severity, message, fix }) => {
    const fixed =
      fix !== undefined && Object.keys(fix).some((field) => locked.includes(field as RuleField));
    return {
      severity: SEVERITY[severity],
      title:
        about === undefined
          ? TITLES[code]
          : `${about}: ${TITLES[code].charAt(0).toLowerCase()}${TITLES[code].slice(1)}`,
      text: fixed ? `${message} The school has fixed this for everyone.` : message,
      ...(fix && !fixed
        ? { actions: [{ name: 'set-rules', label: FIX_LABELS[code]!, subject, rules: fix }] }
        : {}),
    };
  });
}
