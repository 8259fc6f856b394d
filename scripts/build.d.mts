export const root: string;
export function build(options?: { force?: boolean }): Promise<boolean>;
