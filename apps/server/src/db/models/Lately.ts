import type { WayBack } from '@glen/contract';
import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { flag, idOf, instant, json, ownId, text } from './columns.js';

/** A change that somebody made, and the calls that take it back. */
interface LatelyRow extends Model<InferAttributes<LatelyRow>, InferCreationAttributes<LatelyRow>> {
  id: CreationOptional<number>;
  person_id: number;
  at: string;
  what: string;
  calls: WayBack[];
  taken_back: CreationOptional<boolean>;
}

export const defineLately = (sequelize: Sequelize): ModelStatic<LatelyRow> =>
  sequelize.define<LatelyRow>(
    'Lately',
    {
      id: ownId(),
      person_id: idOf('people'),
      at: instant('at'),
      what: text(300),
      calls: json(),
      taken_back: flag('taken_back'),
    },
    {
      tableName: 'lately',
      timestamps: false,
      indexes: [
        { name: 'by_person', fields: ['person_id', 'id'] },
        { name: 'by_age', fields: ['at'] },
      ],
    },
  );
