import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { flag, idOf, instant, ownId, text } from './columns.js';

/** What somebody is told that others changed. */
interface NoticeRow extends Model<InferAttributes<NoticeRow>, InferCreationAttributes<NoticeRow>> {
  id: CreationOptional<number>;
  person_id: number;
  title: string;
  text: string;
  made_at: string;
  seen: CreationOptional<boolean>;
  /** They have been written of it, or need not be. */
  mailed: CreationOptional<boolean>;
  /** It tells of what begins before the next night is over. */
  urgent: CreationOptional<boolean>;
}

export const defineNotice = (sequelize: Sequelize): ModelStatic<NoticeRow> =>
  sequelize.define<NoticeRow>(
    'Notice',
    {
      id: ownId(),
      person_id: idOf('people'),
      title: text(200),
      text: text(2000),
      made_at: instant('made_at'),
      seen: flag('seen'),
      mailed: flag('mailed'),
      urgent: flag('urgent'),
    },
    {
      tableName: 'notices',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id', 'seen'] }],
    },
  );
