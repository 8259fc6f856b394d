import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { PostTiming, RichText } from '@glen/core';
import type { ClassPeriodRow } from './ClassPeriod.js';
import type { PersonRow } from './Person.js';
import { fixedCode, flag, idOf, json, oneOf, ownId, text, version } from './columns.js';

/** What somebody wrote for streams and course pages. */
export interface PostRow extends Model<InferAttributes<PostRow>, InferCreationAttributes<PostRow>> {
  id: CreationOptional<number>;
  class_id: number;
  made_by: number;
  words: string | RichText;
  link_words: string;
  withdrawn: CreationOptional<boolean>;
  version: CreationOptional<number>;
  about: CreationOptional<'link' | 'sessions'>;
  /** Of a post about the sessions of one date alone: their key. */
  on_date: CreationOptional<string | null>;
  timing: CreationOptional<PostTiming>;
  afterwards: CreationOptional<'stay' | 'down' | 'strike'>;
  pinned: CreationOptional<boolean>;
  /** The occurrences whose post somebody asked for before its time. */
  early: CreationOptional<number[]>;

  // Asked for together with it, where it is.
  author?: NonAttribute<PersonRow>;
  classPeriod?: NonAttribute<ClassPeriodRow>;
}

export const definePost = (sequelize: Sequelize): ModelStatic<PostRow> =>
  sequelize.define<PostRow>(
    'Post',
    {
      id: ownId(),
      class_id: idOf('class_periods'),
      made_by: idOf('people'),
      words: json(),
      link_words: text(200),
      withdrawn: flag('withdrawn'),
      version: version(),
      about: oneOf(['link', 'sessions'], { defaultValue: 'link' }),
      on_date: fixedCode(10, { allowNull: true }),
      timing: json({ defaultValue: { kind: 'now' } }),
      afterwards: oneOf(['stay', 'down', 'strike'], { defaultValue: 'stay' }),
      pinned: flag('pinned'),
      early: json({ defaultValue: [] }),
    },
    {
      tableName: 'posts',
      timestamps: false,
      indexes: [{ name: 'by_class', fields: ['class_id'] }],
    },
  );
