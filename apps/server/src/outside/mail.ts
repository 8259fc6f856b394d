/** Somebody whom letters reach, or who writes them. */
export interface Mailbox {
  name: string;
  address: string;
}

/** A letter as it is sent. */
export interface OutgoingLetter {
  to: Mailbox;
  /** Answers go there; left out, to whoever sends all letters. */
  replyTo: Mailbox | null;
  subject: string;
  text: string;
  html: string;
  /** Without the angle brackets; the same at every try. */
  messageId: string;
  /** Reports that it failed go there (RFC 5321 §3.6.3); null: to whoever sends all letters. */
  returnTo: string | null;
  /** What belongs to one thing hangs together in mail programs by this, without the brackets. */
  thread: string | null;
  /** Where whoever gets it says that they want no more, by one press of their mail program (RFC 8058). */
  stop: string | null;
  /** An invitation in the form that calendars read (RFC 5546). */
  calendar: { method: 'REQUEST' | 'CANCEL'; ics: string } | null;
  /** A calendar file to keep, of Glen’s own making; nothing from outside is ever attached. */
  attached: { filename: string; ics: string } | null;
}

/** Takes letters to send. Every failure is an OutsideError: `permanent` where this letter is refused for good. */
export interface Mail {
  send(letter: OutgoingLetter): Promise<void>;
  close(): void;
}
