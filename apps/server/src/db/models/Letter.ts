import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { code, idOf, instant, oneOf, ownId, text } from './columns.js';

/** A letter that is to be sent, or was. */
export interface LetterRow extends Model<
  InferAttributes<LetterRow>,
  InferCreationAttributes<LetterRow>
> {
  id: CreationOptional<number>;
  kind: string;
  /** What it is about: of two with the same there is one. */
  once: string;
  /** Whose it is, where it is somebody whom Glen knows. */
  person_id: CreationOptional<number | null>;
  /** The place of a post that it is of. */
  placement_id: CreationOptional<number | null>;
  name: string;
  email: string;
  subject: string;
  /** What it says, until it has been sent; then nothing. */
  sealed: string;
  /** What it belongs to. */
  thread: CreationOptional<string | null>;
  /** By school time: later it is worth nothing. */
  until_at: CreationOptional<string | null>;
  /** `glen`: whoever it is for reads it in Glen alone, or can be written nowhere. */
  state: CreationOptional<'waiting' | 'sent' | 'refused' | 'dropped' | 'glen'>;
  /** Why it was refused. */
  why: CreationOptional<string | null>;
  /** By machine time. */
  made_at: string;
  sent_at: CreationOptional<string | null>;
}

export const defineLetter = (sequelize: Sequelize): ModelStatic<LetterRow> =>
  sequelize.define<LetterRow>(
    'Letter',
    {
      id: ownId(),
      kind: code(20),
      once: code(120, { unique: true }),
      person_id: idOf('people', { allowNull: true }),
      placement_id: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
      name: text(120),
      email: text(254),
      subject: text(300),
      sealed: { type: DataTypes.TEXT('medium'), allowNull: false },
      thread: code(120, { allowNull: true }),
      until_at: instant('until_at', { allowNull: true }),
      state: oneOf(['waiting', 'sent', 'refused', 'dropped', 'glen'], { defaultValue: 'waiting' }),
      why: text(500, { allowNull: true }),
      made_at: instant('made_at'),
      sent_at: instant('sent_at', { allowNull: true }),
    },
    {
      tableName: 'letters',
      timestamps: false,
      indexes: [
        { name: 'by_person', fields: ['person_id', 'made_at'] },
        { name: 'by_placement', fields: ['placement_id'] },
        { name: 'by_address', fields: ['email', 'state'] },
        { name: 'by_age', fields: ['made_at'] },
      ],
    },
  );
