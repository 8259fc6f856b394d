import { DataTypes, type ModelAttributeColumnOptions } from 'sequelize';
import { utcOf } from '@glen/core';

// Sequelize writes into what it is given: each column gets an object of its own. The names of a column's kind are those
// of the migrations, which a test holds the models against.

interface Reads {
  getDataValue(name: string): unknown;
}

/**
 * An instant (UTC, `2026-10-14T13:31:00Z`), kept as DATETIME: the same text when it is written, asked for and read,
 * before the row is saved and after.
 */
export const instant = (name: string, options: { allowNull?: boolean } = {}) =>
  ({
    type: DataTypes.DATE,
    allowNull: options.allowNull ?? false,
    get(this: Reads) {
      const kept = this.getDataValue(name);
      return kept instanceof Date ? utcOf(kept.getTime() / 1000) : kept;
    },
  }) satisfies ModelAttributeColumnOptions;

const asBoolean = (name: string) => ({
  type: DataTypes.BOOLEAN,
  get(this: Reads) {
    const kept = this.getDataValue(name);
    return kept === undefined || kept === null ? kept : Boolean(kept);
  },
});

/** Yes or no; no where nothing is said. */
export const flag = (name: string, options: { defaultValue?: boolean } = {}) =>
  ({
    ...asBoolean(name),
    allowNull: false,
    defaultValue: options.defaultValue ?? false,
  }) satisfies ModelAttributeColumnOptions;

/** Yes or no, or nothing said. */
export const flagIfSaid = (name: string) =>
  ({ ...asBoolean(name), allowNull: true }) satisfies ModelAttributeColumnOptions;

/** A table's own number. */
export const ownId = () => ({
  type: DataTypes.INTEGER.UNSIGNED,
  autoIncrement: true,
  primaryKey: true,
});

/** The number of a row of which there is only one, 1. */
export const onlyId = () => ({ type: DataTypes.TINYINT.UNSIGNED, primaryKey: true });

interface IdOptions {
  primaryKey?: true;
  unique?: true;
  allowNull?: true;
  /** What becomes of this row with the other; left out: the other cannot go. */
  onDelete?: 'CASCADE' | 'SET NULL';
}

/** The number of a row of another table. */
export const idOf = (table: string, options: IdOptions = {}) => ({
  type: DataTypes.INTEGER.UNSIGNED,
  allowNull: false,
  references: { model: table, key: 'id' },
  ...options,
});

/** A number that may be 0 for nothing, and so is nobody's key. */
export const looseId = (
  options: { primaryKey?: true; defaultValue?: number; allowNull?: true } = {},
) => ({
  type: DataTypes.INTEGER.UNSIGNED,
  allowNull: false,
  ...options,
});

/** Rises with every change of the row, so that an edit of an older state is noticed. */
export const version = (options: { defaultValue?: number } = {}) => ({
  type: DataTypes.INTEGER.UNSIGNED,
  allowNull: false,
  defaultValue: options.defaultValue ?? 1,
});

interface TextOptions {
  allowNull?: true;
  unique?: true;
  primaryKey?: true;
  defaultValue?: string;
}

/** Text of people, up to so many characters. */
export const text = (length: number, options: TextOptions = {}) => ({
  type: DataTypes.STRING(length),
  allowNull: false,
  ...options,
});

/** Text of people without a limit of its own. */
export const longText = (options: { defaultValue?: string } = {}) => ({
  type: DataTypes.TEXT,
  allowNull: false,
  ...options,
});

/** Text of machines: compared letter by letter. */
export const code = (length: number, options: TextOptions = {}) => ({
  type: DataTypes.STRING(length, true),
  allowNull: false,
  ...options,
});

/** The same where all are of one length: hashes, local dates (`2026-10-14`), wall-clock times (`10:45`). */
export const fixedCode = (length: number, options: TextOptions = {}) => ({
  type: DataTypes.CHAR(length, true),
  allowNull: false,
  ...options,
});

/** A small number: minutes, a place in an order. */
export const small = (options: { allowNull?: true; defaultValue?: number } = {}) => ({
  type: DataTypes.SMALLINT.UNSIGNED,
  allowNull: false,
  ...options,
});

/** Plain data. It comes parsed; what is changed inside of it goes unnoticed, so give it a new one. */
export const json = (options: { allowNull?: true; defaultValue?: object } = {}) => ({
  type: DataTypes.JSON,
  allowNull: false,
  ...options,
});

/** One of a few words. */
export const oneOf = <Word extends string>(
  words: readonly Word[],
  options: { allowNull?: true; primaryKey?: true; defaultValue?: Word } = {},
) => ({ type: DataTypes.ENUM(...words), allowNull: false, ...options });
