import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { Model, ModelAttributeColumnOptions, ModelStatic } from 'sequelize';
import { statement } from '../../../scripts/processes.mjs';
import { Db } from '../src/db/connect.js';
import { migrate } from '../src/db/migrate.js';

// The migrations are what the database is made by; the models are what it is read by. Here they are held against each
// other: every table, column, key and foreign key.

let database: string;
let db: Db;

beforeAll(async () => {
  const port = inject('mariadbPort');
  database = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  await statement({ port }, `CREATE DATABASE ${database} CHARACTER SET utf8mb4`);
  db = new Db(`mariadb://root@127.0.0.1:${port}/${database}`);
  await migrate(db);
});
afterAll(async () => {
  await db.close();
  await statement({ port: inject('mariadbPort') }, `DROP DATABASE ${database}`);
});

/** What a column, a key or a foreign key comes to, as one line. */
type Lines = string[];

const models = (): ModelStatic<Model>[] => Object.values(db.models);

const inOrder = (lines: Lines): Lines => [...lines].sort();

const KINDS: [RegExp, string][] = [
  [/^INTEGER UNSIGNED$/, 'int(10) unsigned'],
  [/^INTEGER$/, 'int(11)'],
  [/^SMALLINT UNSIGNED$/, 'smallint(5) unsigned'],
  [/^TINYINT UNSIGNED$/, 'tinyint(3) unsigned'],
  [/^TINYINT\(1\)$/, 'tinyint(1)'],
  [/^JSON$/, 'json'],
];

/** A model's type as the database's catalogue writes it, with how its letters are compared where it is a machine's. */
function kindOf({ type, values }: ModelAttributeColumnOptions): string {
  if (values) return `enum(${values.map((word) => `'${word}'`).join(',')})`;
  const sql = typeof type === 'string' ? type : type.toString({});
  const known = KINDS.find(([pattern]) => pattern.test(sql));
  if (known) return known[1];
  if (sql.endsWith(' BINARY')) return `${sql.slice(0, -7).toLowerCase()} ascii_bin`;
  return sql.toLowerCase();
}

function defaultOf({ defaultValue }: ModelAttributeColumnOptions): string {
  if (defaultValue === undefined || defaultValue === null) return '';
  if (typeof defaultValue === 'boolean') return ` default ${Number(defaultValue)}`;
  if (typeof defaultValue === 'object') {
    const { val } = defaultValue as { val?: string };
    return ` default ${val === undefined ? `'${JSON.stringify(defaultValue)}'` : val}`.toLowerCase();
  }
  return typeof defaultValue === 'number'
    ? ` default ${defaultValue}`
    : ` default '${defaultValue}'`;
}

const columnsOfModel = (model: ModelStatic<Model>): Lines =>
  Object.entries(model.getAttributes()).map(([name, column]) =>
    [
      `${name} ${kindOf(column)}`,
      column.allowNull === false || column.primaryKey ? ' not null' : '',
      column.autoIncrement ? ' counted' : '',
      defaultOf(column),
    ].join(''),
  );

interface CatalogueColumn {
  name: string;
  type: string;
  collation: string | null;
  nullable: 'YES' | 'NO';
  preset: string | null;
  extra: string;
  isJson: number;
}

async function columnsOfTable(table: string): Promise<Lines> {
  const columns = await db.rows<CatalogueColumn>(
    `SELECT c.COLUMN_NAME AS name, c.COLUMN_TYPE AS type, c.COLLATION_NAME AS collation, c.IS_NULLABLE AS nullable, c.COLUMN_DEFAULT AS preset, c.EXTRA AS extra,
       EXISTS (SELECT 1 FROM information_schema.CHECK_CONSTRAINTS k WHERE k.CONSTRAINT_SCHEMA = c.TABLE_SCHEMA AND k.TABLE_NAME = c.TABLE_NAME AND k.CHECK_CLAUSE = CONCAT('json_valid(\`', c.COLUMN_NAME, '\`)')) AS isJson
     FROM information_schema.COLUMNS c WHERE c.TABLE_SCHEMA = DATABASE() AND c.TABLE_NAME = :table`,
    { table },
  );
  return columns.map(({ name, type, collation, nullable, preset, extra, isJson }) =>
    [
      `${name} ${isJson ? 'json' : type}`,
      collation === 'ascii_bin' ? ' ascii_bin' : '',
      nullable === 'NO' ? ' not null' : '',
      extra.includes('auto_increment') ? ' counted' : '',
      preset === null || preset === 'NULL'
        ? ''
        : ` default ${preset.replace('current_timestamp()', 'current_timestamp')}`,
    ].join(''),
  );
}

/** Columns that point to another table have a key of their own where no other begins with them: the database makes it. */
function keysOfModel(model: ModelStatic<Model>): Lines {
  const attributes = Object.entries(model.getAttributes());
  const primary = attributes.filter(([, column]) => column.primaryKey).map(([name]) => name);
  const unique = attributes.filter(([, column]) => column.unique).map(([name]) => [name]);
  const given = (model.options.indexes ?? []).map(({ name, fields, unique: isUnique }) => ({
    name: String(name),
    fields: (fields ?? []).map(String),
    isUnique: isUnique === true,
  }));
  const said = [primary, ...unique, ...given.map((key) => key.fields)];
  const implied = attributes
    .filter(([name, column]) => column.references && !said.some(([first]) => first === name))
    .map(([name]) => name);
  return [
    `PRIMARY unique (${primary.join(', ')})`,
    ...unique.map(([name]) => `${name} unique (${name})`),
    ...given.map(
      ({ name, fields, isUnique }) => `${name}${isUnique ? ' unique' : ''} (${fields.join(', ')})`,
    ),
    ...implied.map((name) => `${name} (${name})`),
  ];
}

async function keysOfTable(table: string): Promise<Lines> {
  const keys = await db.rows<{ name: string; other: number; columns: string }>(
    `SELECT INDEX_NAME AS name, NON_UNIQUE AS other, GROUP_CONCAT(COLUMN_NAME ORDER BY SEQ_IN_INDEX SEPARATOR ', ') AS columns
     FROM information_schema.STATISTICS WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = :table GROUP BY INDEX_NAME, NON_UNIQUE`,
    { table },
  );
  return keys.map(
    ({ name, other, columns }) => `${name}${Number(other) ? '' : ' unique'} (${columns})`,
  );
}

function foreignKeysOfModel(model: ModelStatic<Model>): Lines {
  return Object.entries(model.getAttributes()).flatMap(([name, column]) => {
    const { references } = column;
    if (!references || typeof references === 'string') return [];
    return [`${name} → ${String(references.model)} ${column.onDelete ?? 'RESTRICT'}`];
  });
}

async function foreignKeysOfTable(table: string): Promise<Lines> {
  const keys = await db.rows<{ name: string; other: string; rule: string }>(
    `SELECT k.COLUMN_NAME AS name, k.REFERENCED_TABLE_NAME AS other, r.DELETE_RULE AS rule FROM information_schema.KEY_COLUMN_USAGE k
     JOIN information_schema.REFERENTIAL_CONSTRAINTS r ON r.CONSTRAINT_SCHEMA = k.CONSTRAINT_SCHEMA AND r.CONSTRAINT_NAME = k.CONSTRAINT_NAME AND r.TABLE_NAME = k.TABLE_NAME
     WHERE k.TABLE_SCHEMA = DATABASE() AND k.TABLE_NAME = :table`,
    { table },
  );
  return keys.map(({ name, other, rule }) => `${name} → ${other} ${rule}`);
}

/** The migrations' own books are older than any model. */
const WITHOUT_MODEL = ['migration_steps', 'migrations'];

describe('the models', () => {
  it('are of all tables that the migrations make, and of no others', async () => {
    const tables = await db.rows<{ name: string }>(
      'SELECT TABLE_NAME AS name FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE()',
    );
    expect(inOrder([...models().map((m) => String(m.getTableName())), ...WITHOUT_MODEL])).toEqual(
      inOrder(tables.map((t) => t.name)),
    );
  });
  it('have the tables’ columns: types, letters, what may be missing, what is put there', async () => {
    for (const model of models()) {
      const table = String(model.getTableName());
      expect([table, ...inOrder(columnsOfModel(model))]).toEqual([
        table,
        ...inOrder(await columnsOfTable(table)),
      ]);
    }
  });
  it('have their keys', async () => {
    for (const model of models()) {
      const table = String(model.getTableName());
      expect([table, ...inOrder(keysOfModel(model))]).toEqual([
        table,
        ...inOrder(await keysOfTable(table)),
      ]);
    }
  });
  it('point where they point, and go with what they go with', async () => {
    for (const model of models()) {
      const table = String(model.getTableName());
      expect([table, ...inOrder(foreignKeysOfModel(model))]).toEqual([
        table,
        ...inOrder(await foreignKeysOfTable(table)),
      ]);
    }
  });
});
