import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import { JOB_KINDS, type JobKind } from '../../jobs/job.js';
import { code, instant, json, oneOf, ownId, small, text } from './columns.js';

/** Something that must happen outside. */
interface OutboxJobRow extends Model<
  InferAttributes<OutboxJobRow>,
  InferCreationAttributes<OutboxJobRow>
> {
  id: CreationOptional<number>;
  kind: JobKind;
  subject: string;
  payload: Record<string, string | number>;
  state: CreationOptional<'queued' | 'running' | 'done' | 'failed'>;
  /** Not before this, by school time. */
  due_school: CreationOptional<string | null>;
  /** By machine time. */
  due_at: string;
  /** Whose it is until then; by machine time. */
  lease_until: CreationOptional<string | null>;
  tries: CreationOptional<number>;
  last_error: CreationOptional<string | null>;
}

export const defineOutboxJob = (sequelize: Sequelize): ModelStatic<OutboxJobRow> =>
  sequelize.define<OutboxJobRow>(
    'OutboxJob',
    {
      id: ownId(),
      kind: oneOf([...JOB_KINDS]),
      subject: code(80),
      payload: json(),
      state: oneOf(['queued', 'running', 'done', 'failed'], { defaultValue: 'queued' }),
      due_school: instant('due_school', { allowNull: true }),
      due_at: instant('due_at'),
      lease_until: instant('lease_until', { allowNull: true }),
      tries: small({ defaultValue: 0 }),
      last_error: text(500, { allowNull: true }),
    },
    {
      tableName: 'outbox',
      timestamps: false,
      indexes: [
        { name: 'by_due', fields: ['state', 'due_at'] },
        { name: 'by_subject', fields: ['subject', 'state'] },
      ],
    },
  );
