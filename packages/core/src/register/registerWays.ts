/** What a school does with its registers. */
export interface RegisterWays {
  /** The day on which staff are told of the week: 1 is Monday, 7 is Sunday; null: on none. */
  returnDay: number | null;
  /** Whether students see their own. */
  seenBy: 'nobody' | 'own';
  /** After how many lessons in a row that somebody missed their hosts are told; 0: never. */
  missedInRow: number;
  /** For how many days it is kept when somebody was in; from then on only how the register stood. */
  keptDays: number;
  /** Whether what is written in the chat of a session is kept after it. */
  keepsChat: boolean;
}

/** As long as a term lasts, about. */
const A_TERM = 120;

const USUAL: RegisterWays = {
  returnDay: 5,
  seenBy: 'own',
  missedInRow: 3,
  keptDays: A_TERM,
  keepsChat: false,
};

/** A school's ways with its registers: the usual where it has said nothing. */
export const registerWays = (said: Partial<RegisterWays>): RegisterWays => ({ ...USUAL, ...said });
