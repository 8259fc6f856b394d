import {
  literal,
  type Attributes,
  type Model,
  type ModelStatic,
  type WhereOptions,
} from 'sequelize';

/** Raised by one in the database itself, so that of two changes at once both count. */
export const oneMore = (column: string) => literal(`${column} + 1`);

interface Versioned extends Model {
  id: number;
  version: number;
}

/** Changes a row that still has the version its editor read, and raises it; whether it had. */
export async function changeAsRead<Row extends Versioned>(
  model: ModelStatic<Row>,
  { id, version }: { id: number; version: number },
  values: Partial<Attributes<Row>>,
): Promise<boolean> {
  const where: WhereOptions = { id, version };
  const [changed] = await model.update({ ...values, version: oneMore('version') }, { where });
  return changed > 0;
}
