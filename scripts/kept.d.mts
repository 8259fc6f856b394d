/** A host that starts one part of Glen after another in one process. */
export class Kept {
  constructor(module: string);
  start(env: Record<string, string | undefined>): Promise<void>;
  stop(signal?: NodeJS.Signals): Promise<void>;
  end(signal?: NodeJS.Signals): Promise<void>;
}
/** The two parts of a Glen with its demo school. */
export interface KeptParts {
  server: Kept;
  standins: Kept;
}
export function keptParts(): KeptParts;
