import {
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type NonAttribute,
  type Sequelize,
} from 'sequelize';
import type { Action } from '@glen/core';
import type { PersonRow } from './Person.js';
import { instant, json, looseId, ownId, text } from './columns.js';

/** Who did what to what, with the thing before and after. It outlives what it names. */
interface AuditEntryRow extends Model<
  InferAttributes<AuditEntryRow>,
  InferCreationAttributes<AuditEntryRow>
> {
  id: CreationOptional<number>;
  /** By machine time. */
  at: string;
  /** By school time; nothing in older entries. */
  school_at: CreationOptional<string | null>;
  /** Nothing: Glen itself. */
  person_id: number | null;
  /** Who did it on that person's behalf. */
  helper_id: CreationOptional<number | null>;
  action: Action;
  /** A kind and a number: `series:12`. */
  subject: string;
  before_state: CreationOptional<object | string | number | boolean | null>;
  after_state: CreationOptional<object | string | number | boolean | null>;

  // Asked for together with it, where it is.
  person?: NonAttribute<PersonRow | null>;
}

export const defineAuditEntry = (sequelize: Sequelize): ModelStatic<AuditEntryRow> =>
  sequelize.define<AuditEntryRow>(
    'AuditEntry',
    {
      id: ownId(),
      at: instant('at'),
      school_at: instant('school_at', { allowNull: true }),
      person_id: { ...looseId(), allowNull: true },
      helper_id: { ...looseId(), allowNull: true },
      action: text(40),
      subject: text(80),
      before_state: json({ allowNull: true }),
      after_state: json({ allowNull: true }),
    },
    {
      tableName: 'audit_log',
      timestamps: false,
      indexes: [
        { name: 'by_age', fields: ['at'] },
        { name: 'by_subject', fields: ['subject', 'at'] },
        { name: 'by_person', fields: ['person_id', 'id'] },
        { name: 'by_helper', fields: ['helper_id', 'id'] },
      ],
    },
  );
