import type { Answer, Sent } from '@glen/contract';
import type { Browser, School } from './support.js';

type TakenIn = Answer<'addPerson'>;

/** What the tests of people do again and again, by the office's browser. */
export const peopleTools = (school: School, office: Browser) => {
  const takeIn = (person: Sent<'addPerson'>) => office.post('/api/people', person);
  const signedIn = async (token: string, password = 'salt and tar'): Promise<Browser> => {
    const browser = await school.as(null);
    await browser.post(`/api/password/${token}`, { password });
    return browser;
  };
  /** Somebody new, with a school account, and the one-time address that came with it. */
  const newcomer = async (name: string, roles: Sent<'addPerson'>['roles'] = ['student']) => {
    const email = `${name.toLowerCase().replaceAll(/[ .]+/g, '.').replace(/\.$/, '')}@merrow.example`;
    const { person, wayIn } = (await takeIn({ name, roles, email })).body as TakenIn;
    return { person, email, token: wayIn!.address.split('/').at(-1)! };
  };
  return { takeIn, signedIn, newcomer };
};
