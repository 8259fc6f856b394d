import { escape, page } from '../page.js';
import { SIGN_ON_TROUBLES, type SignOnTrouble } from './directory.js';
import type { Holder, ProviderName } from './people.js';

const TITLES: Record<ProviderName, string> = {
  school: 'Merrow, school accounts',
  home: 'Homeport, private accounts',
};

const frame = (provider: ProviderName, body: string): string =>
  page({
    title: TITLES[provider],
    style: 'board.css',
    body: `<header><a href="/">${TITLES[provider]}</a></header><main>${body}</main>`,
  });

const holderRow = ({ subject, name, email, proven }: Holder): string =>
  `<li><button name="subject" value="${escape(subject)}">${escape(name)}</button> <small>${escape(email)}${proven ? '' : ', not proven'}</small></li>`;

/** Where somebody says who they are. */
export const whoPage = (provider: ProviderName, holders: Holder[], action: string): string =>
  frame(
    provider,
    `<h1>Who are you?</h1><form method="post" action="${escape(action)}"><ol class="people">${holders.map(holderRow).join('')}</ol><p><button name="subject" value="">Not now</button></p></form>`,
  );

const troubleOption = (kind: SignOnTrouble, now: SignOnTrouble): string =>
  `<option${kind === now ? ' selected' : ''}>${kind}</option>`;

const keepRow = ({ subject, name, email, proven, groups }: Holder): string =>
  `<tr><td><form method="post" action="/people"><input type="hidden" name="subject" value="${escape(subject)}"><input name="name" aria-label="Name" value="${escape(name)}"> <input name="email" aria-label="Address" value="${escape(email)}"> <input name="groups" aria-label="Groups" value="${escape(groups.join(' '))}"> <label><input type="checkbox" name="proven" ${proven ? 'checked' : ''}> proven</label> <button>Keep</button></form></td></tr>`;

const NOBODY: Holder = { subject: '', name: '', email: '', proven: true, groups: [] };

/** Who has an account here, and how the provider behaves. */
export const frontPage = (
  provider: ProviderName,
  holders: Holder[],
  trouble: SignOnTrouble,
): string =>
  frame(
    provider,
    `<h1>Accounts</h1><table>${[...holders, NOBODY].map(keepRow).join('')}</table><h2>How this provider behaves</h2><form method="post" action="/trouble"><select name="kind" aria-label="Trouble">${SIGN_ON_TROUBLES.map((kind) => troubleOption(kind, trouble)).join('')}</select> <button>Behave so</button></form><form method="post" action="/keys"><p><button>Sign with another key from now on</button></p></form>`,
  );

/** Whether somebody is to be signed out; `form` is the library's own, which the buttons send. */
export const endPage = (provider: ProviderName, form: string): string =>
  frame(
    provider,
    `<h1>Sign out here?</h1>${form}<p><button form="op.logoutForm" name="logout" value="yes">Sign out</button> <button form="op.logoutForm">Stay</button></p>`,
  );

/** Nothing more is to be done. */
export const endedPage = (provider: ProviderName): string =>
  frame(provider, '<h1>You are signed out</h1>');
