import { randomUUID } from 'node:crypto';
import { inject } from 'vitest';
import { statement } from '../../../scripts/processes.mjs';
import { Db } from '../src/db/connect.js';

export interface OwnDatabase {
  name: string;
  url: string;
  db: Db;
  drop: () => Promise<void>;
}

/** An empty database for one test; `how` is SQL behind its name. */
export async function ownDatabase({
  how = 'CHARACTER SET utf8mb4',
  poolSize,
}: { how?: string; poolSize?: number } = {}): Promise<OwnDatabase> {
  const port = inject('mariadbPort');
  const name = `t${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  await statement({ port }, `CREATE DATABASE ${name} ${how}`);
  const url = `mariadb://root@127.0.0.1:${port}/${name}`;
  const db = new Db(url, poolSize);
  return {
    name,
    url,
    db,
    drop: async () => {
      await db.close();
      await statement({ port }, `DROP DATABASE ${name}`);
    },
  };
}
