import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readReport } from '../src/index.js';

/** The example of RFC 3464, appendix E.1, from memory. */
const FAILED = [
  'Reporting-MTA: dns; mail.home.example',
  '',
  'Original-Recipient: rfc822;rasmus@home.example',
  'Final-Recipient: rfc822;rasmus@home.example',
  'Action: failed',
  'Status: 5.1.1',
  'Diagnostic-Code: smtp; 550 5.1.1',
  '  No such mailbox here',
  '',
].join('\r\n');

describe('what a mail service reports (RFC 3464)', () => {
  it('is that a letter has failed, and why', () => {
    expect(readReport(FAILED)).toEqual({
      hasFailed: true,
      why: '550 5.1.1 No such mailbox here',
    });
  });
  it('is the code alone where nothing more is said', () => {
    expect(readReport('Reporting-MTA: dns; a\n\nAction: Failed\nStatus: 5.2.2\n')).toEqual({
      hasFailed: true,
      why: '5.2.2',
    });
  });
  it.each(['delayed', 'delivered', 'relayed', 'expanded'])(
    'is no failure where it is %s',
    (action) => {
      expect(readReport(FAILED.replace('failed', action))?.hasFailed).toBe(false);
    },
  );
  it('is nothing where no fate is told, whatever is sent', () => {
    expect(readReport('Reporting-MTA: dns; a')).toBeNull();
    fc.assert(
      fc.property(fc.string(), (typed) => {
        const read = readReport(typed);
        expect(read === null || read.why.length <= 300).toBe(true);
      }),
    );
  });
});
