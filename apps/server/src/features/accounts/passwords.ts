import { hash, verify } from '@node-rs/argon2';

/** OWASP Password Storage guidance (published): argon2id (the package's default kind), 19 MiB, 2 passes, 1 lane. */
const ARGON2ID = { memoryCost: 19456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON2ID);

/** Checked for unknown addresses, so that an answer takes as long as for a known one. */
let dummy: Promise<string> | undefined;

/** Whether the password fits; without a stored hash a dummy is checked and the answer is no. */
export async function passwordFits(stored: string | undefined, password: string): Promise<boolean> {
  dummy ??= hashPassword('nobody has this password');
  const fits = await verify(stored ?? (await dummy), password);
  return fits && stored !== undefined;
}
