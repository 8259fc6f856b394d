import { describe, expect, it } from 'vitest';
import { faultsOfPlaywright, faultsOfVitest } from '../faults.mjs';

/** A file's part of a Vitest report, in the shape of its JSON reporter. */
const file = (name: string, tests: object[], more: object = {}) => ({
  name,
  status: 'failed',
  message: '',
  assertionResults: tests,
  ...more,
});
const passed = { fullName: 'doors open', status: 'passed', failureMessages: [] };
const failed = (fullName: string, message: string) => ({
  fullName,
  status: 'failed',
  failureMessages: [message],
});

describe('what failed, said again at the end', () => {
  it('is each test by file and name, with the first lines of its message and no colours', () => {
    const long = Array.from({ length: 40 }, (_, i) => `line ${i + 1}`).join('\n');
    const report = {
      testResults: [
        file('a.test.ts', [
          passed,
          failed('doors close', '\u001B[31mexpected 1 to be 2\u001B[39m'),
        ]),
        file('b.test.ts', [failed('links last', long)]),
        file('c.test.ts', [passed], { status: 'passed' }),
      ],
    };
    const [first, second, ...others] = faultsOfVitest(report);
    expect(first).toBe('a.test.ts › doors close\nexpected 1 to be 2');
    expect(second).toContain('b.test.ts › links last\nline 1\n');
    expect(second).toMatch(/line 12$/);
    expect(others).toEqual([]);
  });

  it('is a file that could not begin, with what kept it', () => {
    const report = {
      testResults: [file('a.test.ts', [], { message: 'no such module' })],
    };
    expect(faultsOfVitest(report)).toEqual(['a.test.ts\nno such module']);
  });

  it('is each browser test by file, line and name, however deep it stands', () => {
    const spec = (title: string, ok: boolean, errors: object[] = []) => ({
      title,
      ok,
      file: 'plan.spec.ts',
      line: 7,
      tests: [{ results: [{ errors }] }],
    });
    const report = {
      suites: [
        {
          specs: [spec('is planned', true)],
          suites: [{ specs: [spec('is moved', false, [{ message: 'not to be seen' }])] }],
        },
      ],
      errors: [{ message: 'no browser' }],
    };
    expect(faultsOfPlaywright(report)).toEqual([
      'plan.spec.ts:7 › is moved\nnot to be seen',
      'the run itself\nno browser',
    ]);
  });
});
