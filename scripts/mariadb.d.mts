export interface Mariadb {
  port: number;
  url: (database: string) => string;
  stop: () => Promise<void>;
  kill: () => Promise<void>;
}
export function withSbin(path: string): string;
export function freePort(host?: string): Promise<number>;
export function ensurePackages(wanted: Record<string, string>, say: (text: string) => void): void;
export function mustHaveRoom(dir: string, isNew: boolean, free?: number): void;
export function startMariadb(
  dir: string,
  options?: { throwaway?: boolean; port?: number },
): Promise<Mariadb>;
export function lastingPort(from: number, host?: string): Promise<number>;
