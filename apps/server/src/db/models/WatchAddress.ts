import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { LinkRow } from './Link.js';
import { code, idOf } from './columns.js';

/** The code of an address at which a link can be watched: nothing leads from it to the link's own. */
interface WatchAddressRow extends Model<
  InferAttributes<WatchAddressRow>,
  InferCreationAttributes<WatchAddressRow>
> {
  link_id: number;
  code: string;
  made_by: number;

  // Asked for together with it, where it is.
  link?: NonAttribute<LinkRow>;
}

export const defineWatchAddress = (sequelize: Sequelize): ModelStatic<WatchAddressRow> =>
  sequelize.define<WatchAddressRow>(
    'WatchAddress',
    {
      link_id: idOf('links', { primaryKey: true }),
      code: code(40),
      made_by: idOf('people'),
    },
    {
      tableName: 'watch_addresses',
      timestamps: false,
      indexes: [{ name: 'by_code', fields: ['code'], unique: true }],
    },
  );
