/** Who of a class sees a thing, by address, beside its teachers (null: all of it), and whether it is shown crossed out. */
interface Shown {
  readers: string[] | null;
  struck: boolean;
}

/** What can stand in a class on a course site; `key`s of sections are the site's own or ours. Times are instants. */
export type Thing =
  | ({ kind: 'post'; html: string; text: string; pinned: boolean } & Shown)
  | { kind: 'section'; title: string; position: number }
  | ({
      kind: 'item';
      section: string;
      position: number;
      title: string;
      html: string;
      address: string | null;
      newTab: boolean;
    } & Shown)
  | ({
      kind: 'event';
      title: string;
      start: string;
      end: string;
      html: string;
      address: string | null;
    } & Shown);
export type ThingKind = Thing['kind'];

export interface Call {
  /** The class as the course site knows it. */
  classRef: string;
  /** Ours, the same for every call about this thing: the receiver makes it once. */
  key: string;
  /** Rises with every change; the receiver keeps the highest. */
  revision: number;
}

/** What a site says stands in a class, with as much of it as its kind has. */
export interface Listed {
  key: string;
  revision: number;
  title?: string;
  section?: string;
  position?: number;
  html?: string;
  address?: string | null;
  newTab?: boolean;
  pinned?: boolean;
  start?: string;
  end?: string;
  readers?: string[] | null;
  struck?: boolean;
}

/** Where people read a class's stream, page and calendar, if there is a course site. */
export const siteAddress = (
  { courseSite }: { courseSite: CourseSite | null },
  classRef: string,
): string | null => courseSite?.classAddress(classRef) ?? null;

/** A course site that takes orders. Every call may be repeated without harm; failures throw OutsideError. */
export interface CourseSite {
  publish(call: Call & { thing: Thing }): Promise<void>;
  withdraw(call: Call & { kind: ThingKind }): Promise<void>;
  list(classRef: string, kind: ThingKind): Promise<Listed[]>;
  /** Where people read the class's stream, page and calendar. */
  classAddress(classRef: string): string;
}
