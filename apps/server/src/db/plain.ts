import type { InferAttributes, Model } from 'sequelize';

/** What a row says, as plain data: to be kept in the log, or to stand beside another. */
export type Plain<Row extends Model> = InferAttributes<Row>;

export function plain<Row extends Model>(row: Row): Plain<Row> {
  const said: Plain<Row> = row.get({ plain: true });
  return said;
}
