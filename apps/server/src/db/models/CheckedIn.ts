import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import type { VisitorRow } from './Visitor.js';
import { fixedCode, idOf, instant, text } from './columns.js';

/** Somebody who has given the sign that a check-in asks for. */
interface CheckedInRow extends Model<
  InferAttributes<CheckedInRow>,
  InferCreationAttributes<CheckedInRow>
> {
  check_in_id: number;
  visitor_id: number;
  at: string;
  answer: CreationOptional<string>;
  /** What the browser that it came from is known by. */
  browser: string;

  // Asked for together with it, where it is.
  visitor?: NonAttribute<VisitorRow>;
}

export const defineCheckedIn = (sequelize: Sequelize): ModelStatic<CheckedInRow> =>
  sequelize.define<CheckedInRow>(
    'CheckedIn',
    {
      check_in_id: { ...idOf('check_ins', { onDelete: 'CASCADE' }), primaryKey: true },
      visitor_id: { ...idOf('visitors', { onDelete: 'CASCADE' }), primaryKey: true },
      at: instant('at'),
      answer: text(500, { defaultValue: '' }),
      browser: fixedCode(43),
    },
    { tableName: 'checked_in', timestamps: false },
  );
