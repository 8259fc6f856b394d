import type {
  PublicKeyCredentialCreationOptionsJSON,
  PublicKeyCredentialRequestOptionsJSON,
} from '@simplewebauthn/browser';
import type { Answer, Sent } from '@glen/contract';

type Options = Answer<'passkeyOptions'>['options'];
type Response = Sent<'addPasskey'>['response'];

/** Comes only when somebody uses a passkey. */
const library = () => import('@simplewebauthn/browser');

/** Whether this browser has passkeys at all. */
export const hasPasskeys = (): boolean =>
  typeof window !== 'undefined' && 'PublicKeyCredential' in window;

/** What the browser sends is as the standard has it, and looked at by the server. */
const asSent = (response: object): Response => response as unknown as Response;

/** Has the browser make a passkey; nothing where its owner would not, or it was there already. */
export async function makePasskey(options: Options): Promise<Response | undefined> {
  const { startRegistration } = await library();
  const optionsJSON = options as unknown as PublicKeyCredentialCreationOptionsJSON;
  return startRegistration({ optionsJSON }).then(asSent, () => undefined);
}

/** Has the browser ask for one; nothing where there is none, or its owner would not. */
export async function askForPasskey(options: Options): Promise<Response | undefined> {
  const { startAuthentication } = await library();
  const optionsJSON = options as unknown as PublicKeyCredentialRequestOptionsJSON;
  return startAuthentication({ optionsJSON }).then(asSent, () => undefined);
}
