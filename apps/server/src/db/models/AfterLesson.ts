import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  NonAttribute,
  Sequelize,
} from 'sequelize';
import type { AfterLessonSeenBy } from '@glen/core';
import type { PersonRow } from './Person.js';
import { code, fixedCode, idOf, instant, oneOf, ownId, small, text, version } from './columns.js';

/** Something that is there after a lesson, for some people, until a day. */
export interface AfterLessonRow extends Model<
  InferAttributes<AfterLessonRow>,
  InferCreationAttributes<AfterLessonRow>
> {
  id: CreationOptional<number>;
  series_id: number;
  key_date: string;
  kind: 'recording' | 'note' | 'address';
  title: string;
  /** A note’s, or a word to an address. */
  words: CreationOptional<string>;
  address: CreationOptional<string | null>;
  /** What the video service calls a recording. */
  recording: CreationOptional<string | null>;
  /** How long a recording is. */
  minutes: CreationOptional<number | null>;
  seen_by: AfterLessonSeenBy;
  until_date: string;
  /** Null: it came about by itself. */
  made_by: number | null;
  made_at: string;
  version: CreationOptional<number>;

  // Asked for together with it, where it is.
  maker?: NonAttribute<PersonRow | null>;
}

export const defineAfterLesson = (sequelize: Sequelize): ModelStatic<AfterLessonRow> =>
  sequelize.define<AfterLessonRow>(
    'AfterLesson',
    {
      id: ownId(),
      series_id: idOf('series', { onDelete: 'CASCADE' }),
      key_date: fixedCode(10),
      kind: oneOf(['recording', 'note', 'address']),
      title: text(120),
      words: text(2000, { defaultValue: '' }),
      address: text(1000, { allowNull: true }),
      recording: code(80, { allowNull: true, unique: true }),
      minutes: small({ allowNull: true }),
      seen_by: oneOf(['hosts', 'came', 'everyone']),
      until_date: fixedCode(10),
      made_by: idOf('people', { allowNull: true }),
      made_at: instant('made_at'),
      version: version(),
    },
    {
      tableName: 'after_lessons',
      timestamps: false,
      indexes: [
        { name: 'by_date', fields: ['series_id', 'key_date'] },
        { name: 'by_until', fields: ['until_date'] },
      ],
    },
  );
