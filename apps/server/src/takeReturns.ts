import { takeCalendarAnswer } from './features/guest/calendarAnswer.js';
import { takeReport } from './features/mail/failure.js';
import type { Glen } from './glen.js';
import { MailIn } from './outside/mailIn.js';

/** What takes in the mail that comes back, each kind to the part of Glen that it is for; nothing where that is not wished. */
export function takeReturns(glen: Glen): MailIn | null {
  const { returns, config, log } = glen;
  if (!config.mailIn || !returns) return null;
  return new MailIn({
    at: config.mailIn,
    returns,
    log,
    take: {
      report: (id, part) => takeReport(glen, id, part),
      answer: (id, part) => takeCalendarAnswer(glen, id, part),
    },
  });
}
