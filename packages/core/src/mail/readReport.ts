/** What a mail service reports of a letter that it had taken (RFC 3464). */
export interface DeliveryReport {
  /** It will not come any more; anything else is on its way, or has come. */
  hasFailed: boolean;
  /** In the service's words. */
  why: string;
}

/** Fields by name; a line that begins with a blank goes on with the one before (RFC 5322 §2.2.3). */
function fieldsOf(block: string): Map<string, string> {
  const lines = block.replace(/\r?\n[ \t]+/g, ' ').split(/\r?\n/);
  return new Map(
    lines.flatMap((line) => {
      const [, name, value] = /^([\w-]+):\s*(.*)$/.exec(line) ?? [];
      return name === undefined ? [] : [[name.toLowerCase(), value!.trim()]];
    }),
  );
}

/** `smtp; 550 5.1.1 No such mailbox` without the kind of code that stands in front (RFC 3464 §2.3.6). */
const withoutType = (diagnostic: string): string => diagnostic.replace(/^[\w-]+\s*;\s*/, '');

const LONGEST = 300;

/**
 * Reads the part `message/delivery-status` of a report: the fields of the message, then those of each recipient, apart by an
 * empty line (RFC 3464 §2.1). Null where no recipient's fate is told.
 */
export function readReport(text: string): DeliveryReport | null {
  const blocks = text.split(/\r?\n[ \t]*\r?\n/).map(fieldsOf);
  const told = blocks.find((fields) => fields.has('action'));
  if (!told) return null;
  const why = withoutType(told.get('diagnostic-code') ?? '') || (told.get('status') ?? '');
  return {
    hasFailed: told.get('action')!.toLowerCase() === 'failed',
    why: why.slice(0, LONGEST),
  };
}
