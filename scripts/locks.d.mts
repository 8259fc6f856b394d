export function take(name: string): Promise<(() => Promise<void>) | null>;
export function holding<T>(
  name: string,
  work: () => T | Promise<T>,
  onWait?: () => void,
): Promise<T>;
