/** The page that is shown, and the one before it; of this tab. */
let here = '';
let before = '';

/** Notes each page as it comes. */
export function notePath(path: string): void {
  if (path === here) return;
  before = here;
  here = path;
}

const CLASS = /^\/classes\/(\d+)/;

/** The class period whose page somebody comes from, who is now at a path; none from elsewhere. */
export function classComeFrom(path: string): number | undefined {
  const last = here === path ? before : here;
  const found = CLASS.exec(last);
  return found ? Number(found[1]) : undefined;
}
