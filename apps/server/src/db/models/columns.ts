import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize';
import { toSql } from '../sqlTime.js';

/** An instant (UTC, `2026-10-14T13:31:00Z`), kept as DATETIME; the same text before and after it is saved. */
export const instant = (name: string, options: { allowNull?: boolean } = {}) =>
  ({
    type: DataTypes.STRING(20),
    allowNull: options.allowNull ?? false,
    // Nothing where a row was read, or is updated, without this column.
    get(this: { getDataValue: (key: string) => string | null | undefined }) {
      const kept = this.getDataValue(name);
      return kept ? `${toSql(kept).replace(' ', 'T')}Z` : kept;
    },
    set(
      this: { setDataValue: (key: string, value: string | null | undefined) => void },
      value: string | null | undefined,
    ) {
      this.setDataValue(name, value ? toSql(value) : value);
    },
  }) as ModelAttributeColumnOptions;

// Sequelize writes into what it is given: each column gets an object of its own.

/** A table's own number. */
export const ownId = () => ({
  type: DataTypes.INTEGER.UNSIGNED,
  autoIncrement: true,
  primaryKey: true,
});

/** Another table's number. */
export const idOf = (more: { primaryKey?: true; unique?: true } = {}) => ({
  type: DataTypes.INTEGER.UNSIGNED,
  allowNull: false,
  ...more,
});

/** Rises with every change of the row, so that an edit of an older state is noticed. */
export const version = () => ({
  type: DataTypes.INTEGER.UNSIGNED,
  allowNull: false,
  defaultValue: 1,
});
