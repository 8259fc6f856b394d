import type { ChildProcess } from 'node:child_process';
import type { KeptParts } from './kept.mjs';
import type { Mariadb } from './mariadb.mjs';
export const LOOPBACK: string;
export const STANDINS: string;
export interface Started {
  started: Promise<void>;
  stop: (signal?: NodeJS.Signals) => Promise<void>;
  child: ChildProcess;
}
export function statement(
  mariadb: Pick<Mariadb, 'port'> & { password?: string },
  sql: string,
): Promise<unknown>;
export function startNode(
  script: string,
  env: Record<string, string>,
  ready: string,
  options?: { quiet?: boolean },
): Started;
export interface Around {
  publicUrl: string;
  video: string;
  courseSite: string;
  /** Where the mailboxes are looked at. */
  mail: string;
  /** Where the providers of accounts are. */
  signOn: { school: string; home: string };
  server: Record<string, string>;
  standins: Record<string, string>;
}
export function surroundings(given: {
  mariadb: Pick<Mariadb, 'port' | 'url'>;
  database: string;
  port: number;
  undoSeconds?: number;
  gatherSeconds?: number;
}): Promise<Around>;
export function copyDatabases(
  mariadb: Pick<Mariadb, 'port'>,
  pairs: [from: string, to: string][],
): Promise<void>;
export interface Demo extends Around {
  stop: () => Promise<void>;
  restartServer: (signal?: NodeJS.Signals, env?: NodeJS.ProcessEnv) => Promise<void>;
  stopServer: (signal?: NodeJS.Signals) => Promise<void>;
}
export function startDemo(given: {
  mariadb: Pick<Mariadb, 'port' | 'url'>;
  database: string;
  port?: number;
  at?: string;
  fresh?: boolean;
  loaded?: boolean;
  undoSeconds?: number;
  gatherSeconds?: number;
  quiet?: boolean;
  kept?: KeptParts;
  onRestart?: (words: string) => void;
}): Promise<Demo>;
export { freePort, startMariadb, type Mariadb } from './mariadb.mjs';
