import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { PersonRow } from './Person.js';
import { fixedCode, idOf, instant, ownId } from './columns.js';

/** Somebody teaches instead of somebody, on the dates from the first to the last, both included. */
export interface CoverRow extends Model<
  InferAttributes<CoverRow>,
  InferCreationAttributes<CoverRow>
> {
  id: CreationOptional<number>;
  absent_id: number;
  covering_id: number;
  first_date: string;
  last_date: string;
  made_by: number;
  /** Before its time, by school time. */
  ended_at: CreationOptional<string | null>;

  // Asked for together with it, where it is.
  absent?: NonAttribute<PersonRow>;
  covering?: NonAttribute<PersonRow>;
  maker?: NonAttribute<PersonRow>;
}

export const defineCover = (sequelize: Sequelize): ModelStatic<CoverRow> =>
  sequelize.define<CoverRow>(
    'Cover',
    {
      id: ownId(),
      absent_id: idOf('people'),
      covering_id: idOf('people'),
      first_date: fixedCode(10),
      last_date: fixedCode(10),
      made_by: idOf('people'),
      ended_at: instant('ended_at', { allowNull: true }),
    },
    {
      tableName: 'covers',
      timestamps: false,
      indexes: [{ name: 'by_last', fields: ['last_date'] }],
    },
  );
