import {
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { idOf } from './columns.js';

/** A parent or guardian of a student; they see nothing by that alone. */
interface GuardianRow extends Model<
  InferAttributes<GuardianRow>,
  InferCreationAttributes<GuardianRow>
> {
  student_id: number;
  person_id: number;
}

export const defineGuardian = (sequelize: Sequelize): ModelStatic<GuardianRow> =>
  sequelize.define<GuardianRow>(
    'Guardian',
    {
      student_id: idOf('people', { primaryKey: true }),
      person_id: idOf('people', { primaryKey: true }),
    },
    {
      tableName: 'guardians',
      timestamps: false,
      indexes: [{ name: 'by_person', fields: ['person_id'] }],
    },
  );
