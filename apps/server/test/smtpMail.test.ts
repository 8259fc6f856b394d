import { describe, expect, it } from 'vitest';
import { mailTrouble } from '../src/outside/smtpMail.js';

describe('what a mail service says', () => {
  it('is for good where it refuses the address or the letter (RFC 5321 §4.2.1: 5yz)', () => {
    const refused = mailTrouble({
      code: 'EENVELOPE',
      responseCode: 550,
      response: '550 5.1.1 No such mailbox\nMore of it',
    });
    expect([refused.permanent, refused.message]).toEqual([
      true,
      'The mail service refused: 550 5.1.1 No such mailbox',
    ]);
    expect(mailTrouble({ code: 'EMESSAGE', responseCode: 552, response: '552' }).permanent).toBe(
      true,
    );
  });
  it('is worth another try where it is busy, or where the connection is at fault', () => {
    const busy = mailTrouble({ code: 'EENVELOPE', responseCode: 451, response: '451 Later' });
    expect([busy.permanent, busy.message]).toEqual([
      false,
      'The mail service has trouble: 451 Later',
    ]);
    expect(mailTrouble({ code: 'EAUTH', responseCode: 535, response: '535 No' }).permanent).toBe(
      false,
    );
    const away = mailTrouble({ code: 'ECONNECTION' });
    expect([away.permanent, away.message]).toEqual([false, 'The mail service cannot be reached.']);
  });
});
