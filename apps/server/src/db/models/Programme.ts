import type { ProgrammeItem } from '@glen/core';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { fixedCode, idOf, json, small, text, version } from './columns.js';

/** What comes after what in one session. */
export interface ProgrammeRow extends Model<
  InferAttributes<ProgrammeRow>,
  InferCreationAttributes<ProgrammeRow>
> {
  series_id: number;
  key_date: string;
  items: ProgrammeItem[];
  /** What its door says to whoever comes; empty: nothing of its own. */
  word: CreationOptional<string>;
  /** Which of it was told last to those inside, by its minutes after the beginning. */
  told_after: CreationOptional<number | null>;
  version: CreationOptional<number>;
}

export const defineProgramme = (sequelize: Sequelize): ModelStatic<ProgrammeRow> =>
  sequelize.define<ProgrammeRow>(
    'Programme',
    {
      series_id: { ...idOf('series', { onDelete: 'CASCADE' }), primaryKey: true },
      key_date: { ...fixedCode(10), primaryKey: true },
      items: json(),
      word: text(300, { defaultValue: '' }),
      told_after: small({ allowNull: true }),
      version: version(),
    },
    { tableName: 'programmes', timestamps: false },
  );
