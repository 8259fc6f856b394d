import { CONFIRM_FIRST, type Answer } from '@glen/contract';
import { answerTo, type Call } from './calls.js';
import { askForPasskey } from './passkeys.js';

/** What a write answers; where the school asks for a passkey first, it is asked for, and what was pressed is done. */
export async function confirmedAnswer(
  call: Call,
  signal: AbortSignal,
): ReturnType<typeof answerTo> {
  const first = await answerTo(call, signal);
  if (!('error' in first) || first.error.type !== CONFIRM_FIRST) return first;
  const asked = await answerTo({ name: 'confirmOptions', ask: {} }, signal);
  if ('error' in asked) return asked;
  const { options } = asked.data as Answer<'confirmOptions'>;
  const response = await askForPasskey(options);
  if (!response) return first;
  const confirmed = await answerTo({ name: 'confirm', ask: { body: { response } } }, signal);
  return 'error' in confirmed ? confirmed : answerTo(call, signal);
}
