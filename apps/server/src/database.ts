import { Db } from './db/connect.js';
import { migrate, migrationStatus } from './db/migrate.js';

// What `./glen db migrate` and `./glen db status` run.

const listed = (names: string[]): string => names.map((name) => `  ${name}`).join('\n');

async function tellStatus(db: Db): Promise<void> {
  const { done, pending } = await migrationStatus(db);
  console.log(done.length > 0 ? `Done:\n${listed(done)}` : 'Nothing has been done yet.');
  console.log(
    pending.length > 0
      ? `Still to do, by ./glen db migrate or at the next start:\n${listed(pending)}`
      : 'Nothing is left to do.',
  );
}

async function bringUpToDate(db: Db): Promise<void> {
  const done = await migrate(db);
  console.log(done.length > 0 ? `Done now:\n${listed(done)}` : 'Nothing was left to do.');
}

const VERBS: Record<string, (db: Db) => Promise<void>> = {
  migrate: bringUpToDate,
  status: tellStatus,
};

const db = new Db(process.env.GLEN_DATABASE_URL ?? '');
try {
  await VERBS[process.argv[2] ?? 'status']!(db);
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  await db.close();
}
