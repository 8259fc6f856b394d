/** One post as it ought to stand on a class stream. */
export interface StreamPost {
  /** The class as the course site knows it. */
  classRef: string;
  /** Ours, the same for every call about this post: the receiver makes it once. */
  key: string;
  /** Rises with every change; the receiver keeps the highest. */
  revision: number;
  html: string;
  text: string;
}

/** A course site that takes orders. Every call may be repeated without harm; failures throw OutsideError. */
export interface CourseSite {
  publish(post: StreamPost): Promise<void>;
  withdraw(post: Pick<StreamPost, 'classRef' | 'key' | 'revision'>): Promise<void>;
  list(classRef: string): Promise<{ key: string; revision: number }[]>;
  /** Where people read the class's stream. */
  streamAddress(classRef: string): string;
}
