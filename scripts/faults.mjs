// What failed in a run of tests, by name and with its first words, from the reports that Vitest and Playwright write: said
// again at the end of the run, where whoever reads only the end of a long log finds it.
import { stripVTControlCharacters } from 'node:util';

/** So much of a message is said again; the whole of it stands where it happened. */
const LINES = 12;

// Colours are for a screen; a log is read without.
const firstLines = (text) => stripVTControlCharacters(text).split('\n').slice(0, LINES).join('\n');

const told = (name, message) => `${name}\n${firstLines(message ?? '')}`.trim();

/** @param report what Vitest writes as JSON */
export function faultsOfVitest(report) {
  return report.testResults.flatMap((file) => {
    const failed = file.assertionResults.filter(({ status }) => status === 'failed');
    // A file that could not even begin has a message of its own, and no test that failed.
    if (failed.length === 0 && file.status === 'failed') return [told(file.name, file.message)];
    return failed.map(({ fullName, failureMessages }) =>
      told(`${file.name} › ${fullName}`, failureMessages.join('\n')),
    );
  });
}

const specsIn = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsIn)];

/** @param report what Playwright writes as JSON */
export function faultsOfPlaywright(report) {
  const missed = specsIn(report).filter(({ ok }) => !ok);
  const ofTests = missed.map(({ file, line, title, tests }) => {
    const errors = tests.flatMap(({ results }) => results.flatMap((result) => result.errors));
    return told(`${file}:${line} › ${title}`, errors.map(({ message }) => message).join('\n'));
  });
  const ofTheRun = (report.errors ?? []).map(({ message }) => told('the run itself', message));
  return [...ofTests, ...ofTheRun];
}
