import type {
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';
import { code, fixedCode, looseId } from './columns.js';

/** What those who come to a date of a series were told of it last. */
interface ToldDateRow extends Model<
  InferAttributes<ToldDateRow>,
  InferCreationAttributes<ToldDateRow>
> {
  series_id: number;
  key_date: string;
  standing: string;
}

export const defineToldDate = (sequelize: Sequelize): ModelStatic<ToldDateRow> =>
  sequelize.define<ToldDateRow>(
    'ToldDate',
    {
      series_id: looseId({ primaryKey: true }),
      key_date: fixedCode(10, { primaryKey: true }),
      standing: code(40),
    },
    { tableName: 'told_dates', timestamps: false },
  );
